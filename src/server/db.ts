import { readdirSync, readFileSync } from 'node:fs'
import Database from 'better-sqlite3'
import { dataFolder, madeFolder, projectFolder } from './data-folder'
import { kept } from './kept'

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

/** Runs the numbered migrations that have not run yet; refuses a database that is newer than they are, or a gap in the numbers. */
function migrate(to: Db): void {
  const folder = projectFolder('src', 'server', 'migrations')
  const files = readdirSync(folder).filter((f) => f.endsWith('.sql')).sort()
  const done = to.pragma('user_version', { simple: true }) as number
  if (done > files.length) throw new Error(`The database is at version ${done}; this application knows ${files.length}. Start the newer application.`)
  files.forEach((file, i) => {
    if (Number.parseInt(file, 10) !== i + 1) throw new Error(`Migration ${i + 1} is missing: found ${file}`)
    if (i < done) return
    to.transaction(() => {
      to.exec(readFileSync(`${folder}/${file}`, 'utf8'))
      to.pragma(`user_version = ${i + 1}`)
    })()
  })
}
