import { sql } from './db'

export type FailedAttempts = { readonly failed: number; readonly at: string }

export function failedAttemptsAt(about: string): FailedAttempts | null {
  return sql<[string], FailedAttempts>('SELECT failed, at FROM guess WHERE about = ?').get(about) ?? null
}

export function noteFailedAttempt(about: string, failed: number, at: string): void {
  sql('INSERT INTO guess (about, failed, at) VALUES (?, ?, ?) ON CONFLICT DO UPDATE SET failed = excluded.failed, at = excluded.at').run(
    about,
    failed,
    at,
  )
}

export function forgetFailedAttempts(about: string): void {
  sql('DELETE FROM guess WHERE about = ?').run(about)
}

export function forgetFailedAttemptsBefore(at: string): void {
  sql('DELETE FROM guess WHERE at < ?').run(at)
}
