import type { Held } from '../../core/lines'
import { sql } from './db'

/** Notes how a text is held to its lines. */
export function noteTextHold(job: string, key: string, held: Held): void {
  sql('INSERT INTO text_hold (job, key, held) VALUES (?, ?, ?) ON CONFLICT DO UPDATE SET held = excluded.held').run(
    job,
    key,
    JSON.stringify(held),
  )
}

/** What was measured of a text; null where nothing was. */
export function textHoldOf(job: string, key: string): Held | null {
  const row = sql<[string, string], { held: string }>('SELECT held FROM text_hold WHERE job = ? AND key = ?').get(job, key)
  return row ? (JSON.parse(row.held) as Held) : null
}

/** Everything that was measured of a job's texts. */
export function textHoldsOf(job: string): readonly { readonly key: string; readonly held: Held }[] {
  return sql<[string], { key: string; held: string }>('SELECT key, held FROM text_hold WHERE job = ? ORDER BY key')
    .all(job)
    .map(({ key, held }) => ({ key, held: JSON.parse(held) as Held }))
}
