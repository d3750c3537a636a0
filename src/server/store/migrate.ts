import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import type Database from 'better-sqlite3'
import { Problem } from '../problems'
import { projectFolder } from '../files/data-folder'

type Migration = { readonly name: string; readonly sql: string; readonly hash: string }
type Done = { readonly number: number; readonly name: string; readonly hash: string }

/**
 * Runs the numbered migrations that have not run yet, each in a transaction of its own. What ran is kept by name and
 * hash: a database that is newer than this application is refused, and so is a migration that was edited, that is
 * missing, or that has changed its place.
 */
export function migrate(db: Database.Database, all: readonly Migration[] = readMigrations()): void {
  const done = readDone(db, all)
  if (done.length > all.length) throw new Problem('databaseNewer', { found: done.length, known: all.length })
  for (const { number, name, hash } of done) {
    const known = all[number - 1]
    if (known?.name !== name) throw new Error(`Migration ${number} ran here as ${name}; now it is ${known?.name ?? 'missing'}.`)
    if (known.hash !== hash) throw new Error(`Migration ${name} was changed after it had run here.`)
  }
  for (const [i, { name, sql, hash }] of all.entries()) {
    if (i < done.length) continue
    db.transaction(() => {
      db.exec(sql)
      note(db, i + 1, name, hash)
    })()
  }
}

/** The migrations as they lie in their folder; refuses a gap in the numbers. */
export function readMigrations(folder: string = projectFolder('src', 'server', 'store', 'migrations')): Migration[] {
  const names = readdirSync(folder)
    .filter((f) => f.endsWith('.sql'))
    .sort()
  return names.map((name, i) => {
    if (Number.parseInt(name, 10) !== i + 1) throw new Error(`Migration ${i + 1} is missing: found ${name}`)
    const sql = readFileSync(`${folder}/${name}`, 'utf8')
    return { name, sql, hash: createHash('sha256').update(sql).digest('hex') }
  })
}

function readDone(db: Database.Database, all: readonly Migration[]): readonly Done[] {
  db.exec(
    'CREATE TABLE IF NOT EXISTS migration (number INTEGER PRIMARY KEY, name TEXT NOT NULL, hash TEXT NOT NULL, at TEXT NOT NULL) STRICT',
  )
  const version = db.pragma('user_version', { simple: true }) as number
  const known = db.prepare<[], Done>('SELECT number, name, hash FROM migration ORDER BY number').all()
  if (known.length >= version) return known
  // A database from before migrations were kept by name tells only how many had run.
  for (const [i, { name, hash }] of all.slice(0, version).entries()) note(db, i + 1, name, hash)
  return db.prepare<[], Done>('SELECT number, name, hash FROM migration ORDER BY number').all()
}

function note(db: Database.Database, number: number, name: string, hash: string): void {
  db.prepare('INSERT INTO migration (number, name, hash, at) VALUES (?, ?, ?, ?)').run(number, name, hash, new Date().toISOString())
  db.pragma(`user_version = ${number}`)
}
