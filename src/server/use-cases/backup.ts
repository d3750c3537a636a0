import { closeSync, fsyncSync, mkdirSync, mkdtempSync, openSync, readFileSync, renameSync, rmSync, statSync } from 'node:fs'
import path from 'node:path'
import { create, extract, replace, type ReadEntry } from 'tar'
import { hashOf } from '../files/blobs'
import { dataFolder, namesIn } from '../files/data-folder'
import { syncFolder, writeWhole } from '../files/write-whole'
import { db } from '../store/db'

const DATABASE = 'instant-fit.sqlite'
/** The hash of the database, so that a packed file that was torn is known. */
const SUMS = 'sums.json'
/** What is kept beside the database and cannot be made again. */
const FOLDERS = ['media', 'blobs', 'packs'] as const

/** Why a packed file cannot be read back, in a sentence. */
export class NotRestored extends Error {}

/**
 * Packs everything into one file (tar) while the application runs: the database by SQLite's own backup, which is one state of it, then what
 * it names. Files are written before the database names them, so those that are packed after it are all there.
 */
export async function backUp(to: string): Promise<{ readonly bytes: number }> {
  const work = mkdtempSync(path.join(path.dirname(path.resolve(to)), '.packing-'))
  try {
    const part = path.join(work, 'all.tar')
    await db().backup(path.join(work, DATABASE))
    writeWhole(path.join(work, SUMS), JSON.stringify({ [DATABASE]: hashOf(readFileSync(path.join(work, DATABASE))) }))
    await create({ file: part, cwd: work, portable: true }, [SUMS, DATABASE])
    const folders = FOLDERS.filter((folder) => statSync(dataFolder(folder), { throwIfNoEntry: false })?.isDirectory())
    // A part file is being written just now, and is no file yet.
    if (folders.length > 0)
      await replace({ file: part, cwd: dataFolder(), portable: true, filter: (name) => !name.endsWith('.part') }, folders)
    sync(part)
    renameSync(part, to)
    syncFolder(path.dirname(path.resolve(to)))
    return { bytes: statSync(to).size }
  } finally {
    rmSync(work, { recursive: true, force: true })
  }
}

/** Reads a packed file back into the data folder, which has to be empty: all of it, or nothing. */
export async function restoreBackup(from: string): Promise<void> {
  const folder = dataFolder()
  if (namesIn(folder).length > 0) throw new NotRestored(`${folder} is not empty. Move what is there away first; nothing was changed.`)
  const work = `${path.resolve(folder)}.unpacking`
  rmSync(work, { recursive: true, force: true })
  mkdirSync(work, { recursive: true })
  try {
    await extract({ file: from, cwd: work, strict: true, filter: (name, entry) => isOurs(name, entry as ReadEntry) }).catch(
      (error: unknown) => {
        throw new NotRestored(`${from} cannot be read: ${error instanceof Error ? error.message : String(error)}.`)
      },
    )
    refuseTorn(from, work)
    rmSync(folder, { recursive: true, force: true })
    renameSync(work, folder)
    syncFolder(path.dirname(path.resolve(folder)))
  } finally {
    rmSync(work, { recursive: true, force: true })
  }
}

/** Plain files and folders, where ours lie; whatever else a file brings is left out. */
function isOurs(name: string, { type }: ReadEntry): boolean {
  const [first = ''] = name.replace(/^\.\//, '').split('/')
  return (type === 'File' || type === 'Directory') && [DATABASE, SUMS, ...FOLDERS].includes(first)
}

function refuseTorn(from: string, work: string): void {
  const [database, sums] = [path.join(work, DATABASE), path.join(work, SUMS)]
  if (!statSync(database, { throwIfNoEntry: false }) || !statSync(sums, { throwIfNoEntry: false }))
    throw new NotRestored(`${from} holds no database of Instant Fit.`)
  const wanted = (JSON.parse(readFileSync(sums, 'utf8')) as { readonly [DATABASE]?: unknown })[DATABASE]
  if (hashOf(readFileSync(database)) !== wanted) throw new NotRestored(`The database in ${from} is damaged. Take another copy.`)
  rmSync(sums)
}

function sync(file: string): void {
  const handle = openSync(file, 'r+')
  try {
    fsyncSync(handle)
  } finally {
    closeSync(handle)
  }
}
