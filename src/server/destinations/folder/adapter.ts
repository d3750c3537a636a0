import { mkdir, open, readdir, readFile, rename, rm, rmdir, stat } from 'node:fs/promises'
import path from 'node:path'
import type { Adapter } from '../destination'
import { fileServerAdapter } from '../file-server/adapter'
import type { FileServer } from '../file-server/file-server'
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
    list: () => does(() => filesIn(root, '', new Map())),
    read: (file) => does(() => readFile(at(file)).catch(unlessGone(null))),
    write: (file, content) => does(() => writeWhole(at(file), content)),
    move: (from, to) => does(() => rename(at(from), at(to))),
    remove: (file) => does(() => rm(at(file), { force: true })),
    makeFolder: (folder) => does(async () => void (await mkdir(at(folder), { recursive: true }))),
    removeFolder: (folder) => does(() => rmdir(at(folder)).catch(() => undefined)),
    close: () => undefined,
  }
}

/** The file is on the disk before anything says that it is. */
async function writeWhole(file: string, content: Buffer): Promise<void> {
  const handle = await open(file, 'w')
  try {
    await handle.writeFile(content)
    await handle.sync()
  } finally {
    await handle.close()
  }
}

async function filesIn(root: string, under: string, found: Map<string, number>): Promise<Map<string, number>> {
  for (const entry of await readdir(path.join(root, under), { withFileTypes: true })) {
    const file = under === '' ? entry.name : `${under}/${entry.name}`
    if (entry.isDirectory()) await filesIn(root, file, found)
    else found.set(file, entry.isFile() ? (await stat(path.join(root, file))).size : -1)
  }
  return found
}

function unlessGone<T>(instead: T): (error: unknown) => T {
  return (error) => {
    if (error instanceof Error && 'code' in error && error.code === 'ENOENT') return instead
    throw error
  }
}
