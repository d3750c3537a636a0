import { mkdir, open, readdir, rename, rm, rmdir, stat } from 'node:fs/promises'
import path from 'node:path'
import type { Adapter } from '../destination'
import { fileServerAdapter } from '../file-server/adapter'
import type { FileRead, FileServer } from '../file-server/file-server'
import { filesIn, type Entry } from '../file-server/walk'
import { toFolderError } from './errors'
import { wholePath, type FolderSettings } from './settings'

/** A folder on the machine that the application runs on. */
export function folderDestination(settings: FolderSettings): Adapter {
  return fileServerAdapter('folder', async (alive) => {
    const root = wholePath(settings)
    await mkdir(root, { recursive: true }).catch((error: unknown) => {
      throw toFolderError(error)
    })
    return folderServer(root, alive)
  })
}

/** The folder itself, as a server that takes files. */
export function folderServer(root: string, alive: () => void): FileServer {
  const at = (file: string): string => path.join(root, file)
  const does = async <T>(work: () => Promise<T>): Promise<T> => {
    try {
      return await work()
    } catch (error) {
      throw toFolderError(error)
    } finally {
      alive()
    }
  }
  return {
    list: (under) => does(() => filesIn(under, (folder) => entriesOf(at(folder)))),
    timeOf: (file) => does(async () => timeOf(await stat(at(file)))),
    count: () => does(async () => (await readdir(root)).length),
    read: (file) => does(() => readWhole(at(file)).catch(unlessGone(null))),
    write: (file, content) => does(() => writeWhole(at(file), content)),
    move: (from, to) => does(() => rename(at(from), at(to))),
    remove: (file) => does(() => rm(at(file), { force: true })),
    makeFolder: (folder) => does(async () => void (await mkdir(at(folder), { recursive: true }))),
    removeFolder: (folder) =>
      does(() =>
        rmdir(at(folder)).then(
          () => true,
          () => false,
        ),
      ),
    close: () => undefined,
  }
}

/** The file is on the disk before anything says that it is. */
async function writeWhole(file: string, content: Buffer): Promise<number> {
  const handle = await open(file, 'w')
  try {
    await handle.writeFile(content)
    await handle.sync()
    return timeOf(await handle.stat())
  } finally {
    await handle.close()
  }
}

async function readWhole(file: string): Promise<FileRead> {
  const handle = await open(file, 'r')
  try {
    const content = await handle.readFile()
    return { content, at: timeOf(await handle.stat()) }
  } finally {
    await handle.close()
  }
}

/** In whole ms. */
function timeOf({ mtimeMs }: { readonly mtimeMs: number }): number {
  return Math.floor(mtimeMs)
}

async function entriesOf(folder: string): Promise<readonly Entry[]> {
  const entries = await readdir(folder, { withFileTypes: true })
  return Promise.all(
    entries.map(async (entry): Promise<Entry> => {
      if (entry.isDirectory()) return { name: entry.name, is: 'folder', bytes: 0, at: null }
      if (!entry.isFile()) return { name: entry.name, is: 'other', bytes: 0, at: null }
      const stats = await stat(path.join(folder, entry.name))
      return { name: entry.name, is: 'file', bytes: stats.size, at: timeOf(stats) }
    }),
  )
}

function unlessGone<T>(instead: T): (error: unknown) => T {
  return (error) => {
    if (error instanceof Error && 'code' in error && error.code === 'ENOENT') return instead
    throw error
  }
}
