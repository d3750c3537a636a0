import * as v from 'valibot'

export const DAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const
export type Day = (typeof DAYS)[number]
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

export type HoursRow = { readonly days: string; readonly times: string; readonly closed: boolean }

/** What a timetable says besides times. */
export type HoursWords = { readonly days: Readonly<Record<Day, string>>; readonly closed: string }
const ENGLISH: HoursWords = { days: DAY_WORDS, closed: 'closed' }

/** The week as a small timetable: neighbouring days with the same times share a row. */
export function toHoursRows(hours: Hours, words: HoursWords = ENGLISH): HoursRow[] {
  const rows: { from: Day; to: Day; times: string }[] = []
  for (const day of DAYS) {
    const times = writeSpans(hours[day])
    const last = rows.at(-1)
    if (last?.times === times) last.to = day
    else rows.push({ from: day, to: day, times })
  }
  return rows.map(({ from, to, times }) => ({
    days: from === to ? words.days[from] : `${words.days[from]} – ${words.days[to]}`,
    times: times === '' ? words.closed : times,
    closed: times === '',
  }))
}

function writeSpans(list: readonly Span[]): string {
  return list.map((span) => `${span.opens.replace(/^0/, '')} – ${span.closes.replace(/^0/, '')}`).join(', ')
}

/** One day's times as a person types them: `9–5:30`, `09:00-12:00, 13:00-17:30`, `closed`. */
export function parseSpans(text: string): { ok: true; spans: Span[] } | { ok: false; fault: string } {
  const words = text.trim().toLowerCase()
  if (words === '' || words === 'closed') return { ok: true, spans: [] }
  const found: Span[] = []
  for (const part of words.split(/[,;&]|\band\b/)) {
    const times = /^\s*(\d{1,2})(?:[:.](\d{2}))?\s*(?:-|–|—|to)\s*(\d{1,2})(?:[:.](\d{2}))?\s*$/.exec(part)
    if (!times) return { ok: false, fault: `“${part.trim()}” is not a pair of times. Write 9:00–17:30, two pairs with a comma, or closed.` }
    const opens = toTime(times[1], times[2])
    let closes = toTime(times[3], times[4])
    if (opens !== null && closes !== null && closes <= opens && Number(times[3]) < 12)
      closes = toTime(String(Number(times[3]) + 12), times[4])
    if (opens === null || closes === null || closes <= opens)
      return { ok: false, fault: `“${part.trim()}” closes before it opens, or is no time of day.` }
    if (found.some((span) => span.opens < closes && opens < span.closes))
      return { ok: false, fault: `“${part.trim()}” overlaps the times before it.` }
    found.push({ opens, closes })
  }
  return { ok: true, spans: found.toSorted((a, b) => (a.opens < b.opens ? -1 : 1)) }
}

function toTime(hour: string | undefined, minute: string | undefined): string | null {
  const h = Number(hour)
  const m = Number(minute ?? 0)
  return h > 24 || m > 59 || (h === 24 && m > 0) ? null : `${String(h).padStart(2, '0')}:${String(m).padStart(2, '0')}`
}
