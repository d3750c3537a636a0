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
