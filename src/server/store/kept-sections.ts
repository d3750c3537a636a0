import * as v from 'valibot'
import { keptSectionSchema, picturesOf, type KeptSection } from '../../core/plan'
import { db, sql } from './db'

export type KeptRow = { readonly id: string; readonly name: string; readonly keptAt: string; readonly section: KeptSection }

/** Every kept section, the newest first. One that cannot be read is passed over, and said in the log. */
export function listKeptSections(): KeptRow[] {
  return sql<[], { id: string; name: string; section: string; kept_at: string }>(
    'SELECT id, name, section, kept_at FROM kept_section ORDER BY kept_at DESC, id',
  )
    .all()
    .flatMap(({ id, name, section, kept_at }) => {
      const read = v.safeParse(keptSectionSchema, JSON.parse(section))
      if (read.success) return [{ id, name, keptAt: kept_at, section: read.output }]
      console.error(`The kept section ${id} cannot be read: ${read.issues[0].message}`)
      return []
    })
}

export function insertKeptSection({ id, name, keptAt, section }: KeptRow): void {
  db().transaction(() => {
    sql('INSERT INTO kept_section (id, name, section, kept_at) VALUES (?, ?, ?, ?)').run(id, name, JSON.stringify(section), keptAt)
    // Pictures of templates are no rows: they travel with their pack.
    const link = sql('INSERT OR IGNORE INTO kept_section_asset (section, asset) SELECT ?, id FROM asset WHERE id = ?')
    for (const asset of picturesOf(section)) link.run(id, asset)
  })()
}

export function renameKeptSection(id: string, name: string): boolean {
  return sql('UPDATE kept_section SET name = ? WHERE id = ?').run(name, id).changes > 0
}

export function deleteKeptSection(id: string): void {
  db().transaction(() => {
    sql('DELETE FROM kept_section_asset WHERE section = ?').run(id)
    sql('DELETE FROM kept_section WHERE id = ?').run(id)
  })()
}
