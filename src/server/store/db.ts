import Database from 'better-sqlite3'
import { dataFolder, madeFolder } from '../files/data-folder'
import { kept } from '../files/kept'
import { migrate } from './migrate'

export type Db = Database.Database

/** The application's database. A row that was reported as written is on the disk: full synchronisation, write-ahead log. */
export function db(): Db {
  return kept('db', () => {
    madeFolder()
    return openDb(dataFolder('instant-fit.sqlite'))
  })
}

export function openDb(file: string): Db {
  const opened = new Database(file)
  opened.pragma('journal_mode = WAL')
  opened.pragma('synchronous = FULL')
  opened.pragma('foreign_keys = ON')
  opened.pragma('busy_timeout = 5000')
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
