import { own } from '../../own'
import { DAYS, type Day, type Hours, type Span } from './hours'

export type ParsedSpans = { readonly ok: true; readonly spans: readonly Span[] } | { readonly ok: false; readonly fault: string }

/** Times of a day, or of a week, that are longer are none. */
const MOST_LETTERS = 400
const TOO_LONG = 'That is too long to be times. Write 9:00–17:30, two pairs with a comma, or closed.'

const PAIR = /^\s*(\d{1,2})(?:[:.h](\d{2})?)?\s*(am|pm)?\s*(?:-|–|—|to)\s*(\d{1,2})(?:[:.h](\d{2})?)?\s*(am|pm)?\s*$/

/**
 * One day's times as a person types them: `9–5:30`, `09:00-12:00, 13:00-17:30`, `9-12, 1-5` (the afternoon), `6pm-2am` (past midnight:
 * it closes before it opens), `closed`.
 */
export function parseSpans(text: string): ParsedSpans {
  const words = text.trim().toLowerCase()
  if (words.length > MOST_LETTERS) return { ok: false, fault: TOO_LONG }
  if (words === '' || words === 'closed') return { ok: true, spans: [] }
  const found: Span[] = []
  let before = 0
  for (const part of words.split(/[,;&/]|\band\b/)) {
    const times = PAIR.exec(part)
    if (!times) return { ok: false, fault: `“${part.trim()}” is not a pair of times. Write 9:00–17:30, two pairs with a comma, or closed.` }
    const read = readPair(times, before)
    if (!read) return { ok: false, fault: `“${part.trim()}” closes before it opens, or is no time of day.` }
    const span = { opens: toTime(read.opens), closes: toTime(read.closes) }
    if (found.some((other) => span.opens < other.closes && other.opens < span.closes))
      return { ok: false, fault: `“${part.trim()}” overlaps the times before it.` }
    found.push(span)
    before = read.closes
  }
  return { ok: true, spans: found.toSorted((a, b) => (a.opens < b.opens ? -1 : 1)) }
}

const NOON = 12 * 60
/** A time that comes after another and is written smaller is meant in the afternoon up to here: `9-12, 1-5`. */
const LATEST_SHORT = 7 * 60
const MIDNIGHT = 24 * 60

/** Minutes of a day that two times stand for, after what was open before: where no half of the day is said, the one that fits. */
function readPair(times: RegExpExecArray, before: number): { readonly opens: number; readonly closes: number } | null {
  const [, h1, m1, half1, h2, m2, half2] = times
  let opens = minutes(h1, m1, half1)
  let closes = minutes(h2, m2, half2)
  if (opens === null || closes === null) return null
  if (half1 === undefined && before > 0 && opens < before && opens <= LATEST_SHORT) opens += NOON
  if (half2 === undefined && closes <= opens && closes < NOON && closes + NOON > opens) closes += NOON
  // Past midnight: said by halves, or plainly an evening that ends in the small hours.
  const isNight = closes < opens && closes <= 6 * 60 && opens >= 15 * 60
  return closes > opens || isNight ? { opens, closes } : null
}

function minutes(hour: string | undefined, minute: string | undefined, half: string | undefined): number | null {
  const h = Number(hour)
  const m = Number(minute ?? 0)
  if (h > 24 || m > 59 || (h === 24 && m > 0) || (half !== undefined && (h > 12 || h === 0))) return null
  const inHalf = half === undefined ? h : (h % 12) + (half === 'pm' ? 12 : 0)
  return Math.min(MIDNIGHT, inHalf * 60 + m)
}

function toTime(of: number): string {
  return `${String(Math.floor(of / 60)).padStart(2, '0')}:${String(of % 60).padStart(2, '0')}`
}

const NAMED: readonly (readonly [RegExp, Day])[] = [
  [/^mo(n(day)?s?)?$/, 'mon'],
  [/^tu(e(s(day)?s?)?)?$/, 'tue'],
  [/^we(d(nesday)?s?)?$/, 'wed'],
  [/^th(u(r(s(day)?)?)?s?)?$/, 'thu'],
  [/^fr(i(day)?s?)?$/, 'fri'],
  [/^sa(t(urday)?s?)?$/, 'sat'],
  [/^su(n(day)?s?)?$/, 'sun'],
]
const SEVERAL: Readonly<Record<string, readonly Day[]>> = {
  daily: DAYS,
  'every day': DAYS,
  weekdays: DAYS.slice(0, 5),
  weekends: DAYS.slice(5),
  weekend: DAYS.slice(5),
}

export type ParsedWeek = { readonly ok: true; readonly hours: Hours } | { readonly ok: false; readonly fault: string }

type OtherNames = Readonly<Partial<Record<Day, readonly string[]>>>

/**
 * A week in one line: `Mon-Fri 07:00-17:30, Sat 8-12`, `weekdays 9-12, 1-5; Sun closed`. Days that are not named are closed. `others`
 * gives further names of days, such as those of the site's language.
 */
export function parseWeek(text: string, others: OtherNames = {}): ParsedWeek {
  const week: Record<Day, readonly Span[]> = { mon: [], tue: [], wed: [], thu: [], fri: [], sat: [], sun: [] }
  if (text.length > MOST_LETTERS) return { ok: false, fault: TOO_LONG }
  const parts = partsOf(text.toLowerCase(), others)
  if (parts.length === 0) return { ok: false, fault: 'Write the days and their times, such as Mon-Fri 9-17:30, Sat 8-12.' }
  for (const { days, times } of parts) {
    const which = readDays(days, others)
    if (which === null) return { ok: false, fault: `“${days || times}” names no days. Write them like Mon-Fri, or Mon, Wed.` }
    const parsed = parseSpans(times)
    if (!parsed.ok) return parsed
    for (const day of which) week[day] = parsed.spans
  }
  return { ok: true, hours: week }
}

/** Days and the times that follow them; the next name of a day after a time begins the next part. */
function partsOf(text: string, others: OtherNames): readonly { readonly days: string; readonly times: string }[] {
  const parts: { days: string; times: string }[] = []
  let isTimes = true
  for (const [token] of text.matchAll(/\p{L}[\p{L}.]*|\d[\d:.]*|[^\s\p{L}\d]/gu)) {
    const isDay = dayNamed(token, others) !== null || Object.hasOwn(SEVERAL, token) || token === 'every'
    if (isTimes && (isDay || parts.length === 0)) {
      parts.push({ days: '', times: '' })
      isTimes = false
    }
    const part = parts.at(-1)
    if (!part) continue
    if (/^\d/.test(token) || token === 'closed') isTimes = true
    if (isTimes) part.times += `${token} `
    else part.days += `${token} `
  }
  // What is left between two parts is their comma.
  return parts.map(({ days, times }) => ({ days: trimmed(days), times: trimmed(times).replace(/ (?=am|pm)/g, '') }))
}

function trimmed(words: string): string {
  return words.replace(/^[\s,;:.]+|[\s,;:.]+$/g, '')
}

function readDays(words: string, others: OtherNames): readonly Day[] | null {
  const several = Object.hasOwn(SEVERAL, words) ? own(SEVERAL, words) : undefined
  if (several) return several
  const found: Day[] = []
  for (const part of words.split(/\s*(?:&|\+|\/|,|\band\b)\s*/)) {
    const ends = part.split(/\s*(?:-|–|—|\bto\b)\s*/).map((name) => dayNamed(name, others))
    const [from, to = from] = ends
    if (!from || !to || ends.length > 2 || ends.includes(null)) return null
    for (let i = DAYS.indexOf(from); ; i = (i + 1) % 7) {
      found.push(DAYS[i] ?? from)
      if (DAYS[i] === to) break
    }
  }
  return found
}

function dayNamed(name: string, others: OtherNames): Day | null {
  const bare = name.replace(/\.$/, '').trim()
  const known = NAMED.find(([names]) => names.test(bare))?.[1]
  return known ?? DAYS.find((day) => others[day]?.some((other) => other.toLowerCase().replace(/\.$/, '') === bare)) ?? null
}
