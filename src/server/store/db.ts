import Database from 'better-sqlite3'
import { statSync } from 'node:fs'
import { dataFolder, madeFolder } from '../files/data-folder'
import { kept } from '../files/kept'
import { Problem } from '../http/problems'
import { migrate } from './migrate'

export type Db = Database.Database

/** The application's database. A row that was reported as written is on the disk: full synchronisation, write-ahead log. */
export function db(): Db {
  return kept('db', () => {
    const file = dataFolder('instant-fit.sqlite')
    refuseEmptied(file)
    madeFolder()
    return openDb(file)
  })
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
