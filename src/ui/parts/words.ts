import { format, formatDistanceToNow, isToday } from 'date-fns'

export { capital } from '@/core/capital'

export function kilobytes(bytes: number): string {
  return bytes < 1024
    ? `${bytes} B`
    : bytes < 1024 * 1024
      ? `${(bytes / 1024).toFixed(bytes < 10_240 ? 1 : 0)} kB`
      : `${(bytes / 1024 / 1024).toFixed(1)} MB`
}

/** A time that is left, in milliseconds, as nobody has it to the second. */
export function timeLeft(ms: number): string {
  const seconds = Math.ceil(ms / 1000)
  if (seconds <= 5) return 'a few seconds left'
  if (seconds < 55) return `about ${Math.ceil(seconds / 5) * 5} seconds left`
  const minutes = Math.ceil(seconds / 60)
  return minutes === 1 ? 'about a minute left' : `about ${minutes} minutes left`
}

export function ago(iso: string): string {
  return formatDistanceToNow(new Date(iso), { addSuffix: true })
}

export function dayAndTime(iso: string): string {
  return format(new Date(iso), 'd MMM yyyy, HH:mm')
}

/** A time of day; with its day where that is not today. */
export function clock(ms: number): string {
  const at = new Date(ms)
  return format(at, isToday(at) ? 'HH:mm' : 'd MMM, HH:mm')
}

/** A time as it is said in a time zone: with the day of the week, since that is what one plans by. */
export function atIn(iso: string, zone: string): string {
  const parts = { weekday: 'long', day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit' } as const
  return new Intl.DateTimeFormat('en-GB', { ...parts, timeZone: zone }).format(new Date(iso))
}

export function day(iso: string): string {
  return format(new Date(iso), 'd MMM yyyy')
}

export function count(n: number, one: string, many: string = `${one}s`): string {
  return `${n} ${n === 1 ? one : many}`
}
