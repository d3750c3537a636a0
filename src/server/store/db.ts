import Database from 'better-sqlite3'
import { accessSync, chmodSync, constants, copyFileSync, existsSync, mkdtempSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { dataFolder, madeFolder } from '../files/data-folder'
import { kept } from '../files/kept'
import { Problem } from '../problems'
import { migrate } from './migrate'

export type Db = Database.Database

const FILE = 'instant-fit.sqlite'

/**
 * The application's database. A row that was reported as written is on the disk: full synchronisation, write-ahead log. Where the folder
 * cannot be written, a copy elsewhere: what is reckoned while reading is kept there, and every change is refused before it gets to it.
 */
export function db(): Db {
  return kept('db', () => {
    const file = dataFolder(FILE)
    refuseEmptied(file)
    if (isReadOnly()) return openCopy(file)
    madeFolder()
    return openDb(file)
  })
}

/** Whether what is kept can be read and not written: a folder without the right to, or on a disk that is there to be read. */
export function isReadOnly(): boolean {
  const places = [dataFolder(), dataFolder(FILE)]
  return places.every((place) => statSync(place, { throwIfNoEntry: false })) && !places.every(mayWrite)
}

function mayWrite(place: string): boolean {
  try {
    accessSync(place, constants.W_OK)
    return true
  } catch {
    return false
  }
}

/** What is read cannot be read where it lies: SQLite writes beside it, and an older form is brought up first. */
function openCopy(file: string): Db {
  const folder = mkdtempSync(path.join(tmpdir(), 'instant-fit-read-'))
  process.once('exit', () => rmSync(folder, { recursive: true, force: true }))
  for (const end of ['', '-wal']) if (existsSync(file + end)) copyFileSync(file + end, path.join(folder, FILE + end))
  chmodSync(path.join(folder, FILE), 0o600)
  return openDb(path.join(folder, FILE))
}

/** Whether the database in use is such a copy. */
export function isCopy(): boolean {
  return db().name !== dataFolder(FILE)
}

/** How long another program is waited for that holds the database; meanwhile nobody else is answered. */
const WAIT_MS = 1000

/** Refuses an empty file where what lies beside it tells that it was not: a new database there would hide that the old one is gone. */
function refuseEmptied(file: string): void {
  const size = statSync(file, { throwIfNoEntry: false })?.size ?? 0
  if (size === 0 && statSync(dataFolder('media'), { throwIfNoEntry: false })) throw new Problem('databaseEmptied', { file })
}

export function openDb(file: string): Db {
  const opened = new Database(file)
  opened.pragma('journal_mode = WAL')
  opened.pragma('synchronous = FULL')
  opened.pragma('foreign_keys = ON')
  opened.pragma(`busy_timeout = ${WAIT_MS}`)
  migrate(opened)
  return opened
}

const statements = new WeakMap<Db, Map<string, Database.Statement>>()

/** A statement prepared once for a database. */
export function sql<P extends unknown[], R>(text: string): Database.Statement<P, R> {
  const of = db()
  let known = statements.get(of)
  if (!known) statements.set(of, (known = new Map()))
  let statement = known.get(text)
  if (!statement) known.set(text, (statement = of.prepare(text)))
  return statement as unknown as Database.Statement<P, R>
}
