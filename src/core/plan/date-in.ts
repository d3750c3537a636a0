import { folded } from './jump'

/** A day as it is told in words, as far as it is told: a month has its first day, a year its first month. */
export type DateFound = { readonly year: number | null; readonly month: number; readonly day: number }

const months = new Map<string, readonly (readonly [name: string, month: number])[]>()

/** The months as CLDR names them in a language, long and short, the longest first; English ones are known everywhere. */
function monthsOf(language: string): readonly (readonly [name: string, month: number])[] {
  let known = months.get(language)
  if (!known) {
    const names = [language, 'en', 'en-GB'].flatMap((of) =>
      (['long', 'short'] as const).flatMap((month) => [
        ...namesBy(new Intl.DateTimeFormat(of, { month, timeZone: 'UTC' })),
        ...namesBy(new Intl.DateTimeFormat(of, { month, day: 'numeric', timeZone: 'UTC' })),
      ]),
    )
    known = names.filter(([name]) => name.length > 2).sort(([a], [b]) => b.length - a.length)
    months.set(language, known)
  }
  return known
}

function namesBy(format: Intl.DateTimeFormat): (readonly [string, number])[] {
  return Array.from({ length: 12 }, (_, i) => {
    const part = format.formatToParts(Date.UTC(2024, i, 1)).find(({ type }) => type === 'month')?.value ?? ''
    return [folded(part).replaceAll('.', ''), i + 1] as const
  })
}

/**
 * The first day that words tell of: 2024-03-05 (ISO 8601), 5.3.2024, 5/3/2024 (the month first in en-US), 5 March 2024, March 5, 2024,
 * March 2024, March, 2024. Null where there is none.
 */
export function dateIn(words: string, language: string): DateFound | null {
  const text = folded(words)
  const iso = /\b(\d{4})-(\d\d)-(\d\d)\b/.exec(text)
  if (iso) return dateOf(Number(iso[1]), Number(iso[2]), Number(iso[3]))
  const short = /\b(\d{1,2})[./](\d{1,2})[./](\d{4})\b/.exec(text)
  if (short) {
    const [a, b] = [Number(short[1]), Number(short[2])]
    return language === 'en-US' ? dateOf(Number(short[3]), a, b) : dateOf(Number(short[3]), b, a)
  }
  const named = monthsOf(language).flatMap(([name, month]) => {
    const at = text.search(new RegExp(`(?<!\\p{L})${escaped(name)}(?!\\p{L})`, 'u'))
    return at < 0 ? [] : [{ at, name, month }]
  })
  const [first] = named.sort((a, b) => a.at - b.at || b.name.length - a.name.length)
  const year = /(?<!\d)(?:19|20)\d\d(?!\d)/.exec(text)?.[0]
  if (!first) return year === undefined ? null : dateOf(Number(year), 1, 1)
  const before = /(\d{1,2})\D{0,4}$/.exec(text.slice(0, first.at))?.[1]
  const after = /^\D{0,2}(\d{1,2})(?!\d)/.exec(text.slice(first.at + first.name.length))?.[1]
  return dateOf(year === undefined ? null : Number(year), first.month, Number(before ?? after ?? 1))
}

function escaped(name: string): string {
  return name.replaceAll(/[^\p{L}\p{N} ]/gu, '\\$&')
}

function dateOf(year: number | null, month: number, day: number): DateFound | null {
  return month >= 1 && month <= 12 && day >= 1 && day <= 31 ? { year, month, day } : null
}

/** The order of two days, the earlier first; one without a year stands in the year of all. */
export function compareDates(a: DateFound, b: DateFound): number {
  return (a.year ?? 0) - (b.year ?? 0) || a.month - b.month || a.day - b.day
}
