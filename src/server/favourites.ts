import { db } from './db'

export function listFavourites(): string[] {
  return db().prepare<[], { template: string }>('SELECT template FROM favourite ORDER BY template').all().map((row) => row.template)
}

export function setFavourite(template: string, on: boolean): void {
  if (on) db().prepare('INSERT OR IGNORE INTO favourite (template, at) VALUES (?, ?)').run(template, new Date().toISOString())
  else db().prepare('DELETE FROM favourite WHERE template = ?').run(template)
}
