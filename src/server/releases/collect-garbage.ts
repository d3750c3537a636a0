import { rmSync, statSync } from 'node:fs'
import path from 'node:path'
import { dataFolder, namesIn } from '../files/data-folder'
import { db, sql } from '../store/db'

const DAY_MS = 86_400_000

/**
 * Lets go of what nobody can ask for again: releases that were built and never went live, and contents that neither a release nor any
 * document, now or in its history, names. What is a day young is left: somebody may be about to publish it. What was live stays for ever.
 */
export function collectGarbage(now: Date): { readonly releases: number; readonly contents: number; readonly bytes: number } {
  const before = new Date(now.getTime() - DAY_MS)
  const releases = dropNeverLive(before.toISOString())
  const released = namedIn([['release', 'manifest']])
  const old = [...keptContents()].filter(({ file, hash }) => !released.has(hash) && statSync(file).mtimeMs < before.getTime())
  // Documents are looked through only where there is something to let go of.
  const named = old.length === 0 ? released : namedIn(DOCUMENTS)
  let bytes = 0
  const gone = old.filter(({ hash }) => !named.has(hash))
  for (const { file } of gone) {
    bytes += statSync(file).size
    rmSync(file)
  }
  return { releases, contents: gone.length, bytes }
}

/** Publications that were given up before anybody saw them, and releases that no publication is of, past or scheduled. */
function dropNeverLive(before: string): number {
  return db().transaction(() => {
    sql('DELETE FROM publication WHERE given_up IS NOT NULL AND switch IS NULL AND begun_at < ?').run(before)
    const kept = 'SELECT release FROM publication UNION SELECT release FROM scheduled_publication'
    return sql(`DELETE FROM release WHERE built_at < ? AND id NOT IN (${kept})`).run(before).changes
  })()
}

/** Every content that is kept for releases and files, with where it lies. */
export function* keptContents(): Generator<{ readonly file: string; readonly hash: string }> {
  const folder = dataFolder('blobs')
  for (const part of namesIn(folder))
    for (const hash of namesIn(path.join(folder, part)))
      if (/^[0-9a-f]{64}$/.test(hash)) yield { file: path.join(folder, part, hash), hash }
}

/** The hash of every content that is named in some columns of some tables. */
function namedIn(columns: readonly (readonly [table: string, column: string])[]): ReadonlySet<string> {
  const known = new Set<string>()
  for (const [table, column] of columns)
    for (const { text } of db().prepare<[], { text: string }>(`SELECT ${column} AS text FROM ${table}`).iterate())
      for (const [, hash] of text.matchAll(/"hash":"([0-9a-f]{64})"/g)) if (hash !== undefined) known.add(hash)
  return known
}

/** Where documents are, as they stand, and as undo could bring them back. */
const DOCUMENTS = [
  ['log_row', 'edit'],
  ['log_row', 'inverse'],
  ['snapshot', 'document'],
  ['kept_section', 'section'],
] as const
