import { sql } from './db'

export type Guesses = { readonly failed: number; readonly at: string }

export function guessesAt(about: string): Guesses | null {
  return sql<[string], Guesses>('SELECT failed, at FROM guess WHERE about = ?').get(about) ?? null
}

export function noteGuess(about: string, failed: number, at: string): void {
  sql('INSERT INTO guess (about, failed, at) VALUES (?, ?, ?) ON CONFLICT DO UPDATE SET failed = excluded.failed, at = excluded.at').run(
    about,
    failed,
    at,
  )
}

export function forgetGuesses(about: string): void {
  sql('DELETE FROM guess WHERE about = ?').run(about)
}

export function forgetGuessesBefore(at: string): void {
  sql('DELETE FROM guess WHERE at < ?').run(at)
}
