import { forgetFailedAttempts, forgetFailedAttemptsBefore, failedAttemptsAt, noteFailedAttempt } from '../store/failed-attempts'
import { Problem } from '../problems'

/** How many wrong guesses are free: of one account's password, and from one address. After those each costs twice the time of the last. */
const FREE = { account: 5, address: 20 } as const
const LONGEST_S = 900
const FORGET_MS = 86_400_000

/** Refuses a guess that comes too soon after so many wrong ones (OWASP ASVS 4.0.3, 2.2.1: at most 100 an hour on an account). */
export function refuseGuessing(account: string, address: string, now: number = Date.now()): void {
  const wait = Math.max(waitOf('account', account, now), waitOf('address', address, now))
  if (wait > 0) throw new Problem('tooManyGuesses', { wait: inWords(wait) })
}

export function noteWrongGuess(account: string, address: string, now: number = Date.now()): void {
  forgetFailedAttemptsBefore(new Date(now - FORGET_MS).toISOString())
  for (const about of [aboutOf('account', account), aboutOf('address', address)])
    noteFailedAttempt(about, (failedAttemptsAt(about)?.failed ?? 0) + 1, new Date(now).toISOString())
}

export function noteRightGuess(account: string): void {
  forgetFailedAttempts(aboutOf('account', account))
}

/** Seconds until the next guess. */
function waitOf(kind: keyof typeof FREE, name: string, now: number): number {
  const known = failedAttemptsAt(aboutOf(kind, name))
  if (!known || known.failed < FREE[kind]) return 0
  const wait = Math.min(LONGEST_S, 2 ** (known.failed - FREE[kind] + 1))
  return Math.max(0, Math.ceil(wait - (now - Date.parse(known.at)) / 1000))
}

function aboutOf(kind: keyof typeof FREE, name: string): string {
  return `${kind} ${name.toLowerCase().slice(0, 200)}`
}

function inWords(seconds: number): string {
  if (seconds > 90) return `${Math.ceil(seconds / 60)} minutes`
  return seconds === 1 ? 'a second' : `${seconds} seconds`
}
