import * as v from 'valibot'

export const DAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const
export type Day = (typeof DAYS)[number]
/** Days as schema.org and our own screens name them. */
export const DAY_NAMES: Readonly<Record<Day, string>> = {
  mon: 'Monday',
  tue: 'Tuesday',
  wed: 'Wednesday',
  thu: 'Thursday',
  fri: 'Friday',
  sat: 'Saturday',
  sun: 'Sunday',
}
const DAY_WORDS: Record<Day, string> = { mon: 'Mon', tue: 'Tue', wed: 'Wed', thu: 'Thu', fri: 'Fri', sat: 'Sat', sun: 'Sun' }

const time = v.pipe(v.string(), v.regex(/^([01]\d|2[0-3]):[0-5]\d$|^24:00$/))
const spans = v.pipe(v.array(v.strictObject({ opens: time, closes: time })), v.maxLength(4), v.readonly())
/** For each day its opening spans, in 24-hour local time; no span means closed. */
export const hoursSchema = v.pipe(
  v.strictObject({ mon: spans, tue: spans, wed: spans, thu: spans, fri: spans, sat: spans, sun: spans }),
  v.readonly(),
)
export type Hours = v.InferOutput<typeof hoursSchema>
export type Span = Hours[Day][number]

export type HoursRow = { readonly days: string; readonly times: string; readonly closed: boolean; readonly of: readonly Day[] }

/** What a timetable says besides times. */
export type HoursWords = { readonly days: Readonly<Record<Day, string>>; readonly closed: string; readonly comma: string }
const ENGLISH: HoursWords = { days: DAY_WORDS, closed: 'closed', comma: ',' }

/** The week as a small timetable: neighbouring days with the same times share a row. */
export function toHoursRows(hours: Hours, words: HoursWords = ENGLISH): HoursRow[] {
  const rows: { from: Day; to: Day; times: string }[] = []
  for (const day of DAYS) {
    const times = writeSpans(hours[day], words.comma)
    const last = rows.at(-1)
    if (last?.times === times) last.to = day
    else rows.push({ from: day, to: day, times })
  }
  return rows.map(({ from, to, times }) => ({
    days: from === to ? words.days[from] : `${words.days[from]} – ${words.days[to]}`,
    times: times === '' ? words.closed : times,
    closed: times === '',
    of: DAYS.slice(DAYS.indexOf(from), DAYS.indexOf(to) + 1),
  }))
}

function writeSpans(list: readonly Span[], comma: string): string {
  return list.map((span) => `${span.opens.replace(/^0/, '')} – ${span.closes.replace(/^0/, '')}`).join(`${comma} `)
}
