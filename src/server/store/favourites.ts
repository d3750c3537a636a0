import { sql } from './db'

export function listFavourites(): string[] {
  return sql<[], { template: string }>('SELECT template FROM favourite ORDER BY template')
    .all()
    .map((row) => row.template)
}

export function setFavourite(template: string, on: boolean): void {
  if (on) sql('INSERT OR IGNORE INTO favourite (template, at) VALUES (?, ?)').run(template, new Date().toISOString())
  else sql('DELETE FROM favourite WHERE template = ?').run(template)
}
