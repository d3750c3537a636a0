import { sql } from './db'

/** Notes from which width of the window a menu fits, in px; null: from any. */
export function noteMenuFit(job: string, key: string, width: number | null): void {
  sql('INSERT INTO menu_fit (job, key, width) VALUES (?, ?, ?) ON CONFLICT DO UPDATE SET width = excluded.width').run(job, key, width)
}

/** Everything that was measured for a job's menu. */
export function menuFitsOf(job: string): readonly { readonly key: string; readonly width: number | null }[] {
  return sql<[string], { key: string; width: number | null }>('SELECT key, width FROM menu_fit WHERE job = ? ORDER BY key').all(job)
}

/** What was measured for a menu; null where nothing was, or where it fits from any width. */
export function menuFitOf(job: string, key: string): number | null {
  const row = sql<[string, string], { width: number | null }>('SELECT width FROM menu_fit WHERE job = ? AND key = ?').get(job, key)
  return row?.width ?? null
}
