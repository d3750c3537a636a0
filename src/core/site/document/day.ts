import * as v from 'valibot'

/** A day as ISO 8601 writes it, `2026-12-06`; one that the calendar has. */
export const daySchema = v.pipe(v.string(), v.isoDate(), v.check(isDay, 'There is no such day'))
export type CalendarDay = v.InferOutput<typeof daySchema>

function isDay(text: string): boolean {
  const [year = 0, month = 0, day = 0] = text.split('-').map(Number)
  const at = new Date(Date.UTC(year, month - 1, day))
  return at.getUTCMonth() === month - 1 && at.getUTCDate() === day
}

/** The day that it is where the clock stands. */
export function dayOf(time: Date): CalendarDay {
  const two = (n: number): string => String(n).padStart(2, '0')
  return `${String(time.getFullYear()).padStart(4, '0')}-${two(time.getMonth() + 1)}-${two(time.getDate())}`
}
