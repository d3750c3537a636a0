import { own } from '../own'
import { DAYS, type Day } from '../site'
import { WORDS, type PlainLabel } from './table'

/** The language that plain words are told in for a site's language: its own, or English where there are none yet. */
export function wordsLanguage(language: string): string {
  const base = language.split('-')[0] ?? ''
  return own(WORDS, base) ? base : 'en'
}

/** The plain word of a label in a site's language; null where the label has none and only a design's own words exist. */
export function plainWord(language: string, label: string): string | null {
  const words: Readonly<Record<string, string>> = own(WORDS, wordsLanguage(language)) ?? {}
  return own(words, label) ?? (isDay(label) ? weekday(language, label) : null)
}

/** Whether words of a design say no more than a label's plain word does, in the language that designs are written in. */
export function isPlain(label: string, words: string): boolean {
  return plainWord('en', label) === words
}

export const PLAIN_LABELS = Object.keys(WORDS.en ?? {}) as readonly PlainLabel[]

function isDay(label: string): label is Day {
  return (DAYS as readonly string[]).includes(label)
}

const weekdays = new Map<string, string>()

/** A weekday as a timetable writes it, by CLDR. The first of January 2024 was a Monday. */
function weekday(language: string, day: Day): string {
  const name = `${language} ${day}`
  let found = weekdays.get(name)
  if (found === undefined) {
    const date = new Date(Date.UTC(2024, 0, 1 + DAYS.indexOf(day)))
    const write = (locale: string): string => new Intl.DateTimeFormat(locale, { weekday: 'short', timeZone: 'UTC' }).format(date)
    try {
      found = write(language)
    } catch {
      found = write('en')
    }
    weekdays.set(name, found)
  }
  return found
}
