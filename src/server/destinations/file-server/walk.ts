import PQueue from 'p-queue'
import type { FilesThere, FileThere } from '../../../core/release'

/** How many folders are listed at a time. */
const AT_ONCE = 8

/** What lies in a folder; what is neither a file nor a folder, as a link is, is `other`. */
export type Entry = FileThere & { readonly name: string; readonly is: 'file' | 'folder' | 'other' }

/** Every file under a folder, by its path from there, where a server lists folder by folder; '' is the outermost. */
export async function filesIn(under: string, list: (folder: string) => Promise<readonly Entry[]>): Promise<FilesThere> {
  const queue = new PQueue({ concurrency: AT_ONCE })
  const found = new Map<string, FileThere>()
  const walk = async (folder: string): Promise<void> => {
    const entries = await queue.add(() => list([under, folder].filter((part) => part !== '').join('/')))
    const folders: string[] = []
    for (const { name, is, bytes, at } of entries) {
      if (name === '.' || name === '..') continue
      const path = folder === '' ? name : `${folder}/${name}`
      if (is === 'folder') folders.push(path)
      else found.set(path, is === 'file' ? { bytes, at } : { bytes: -1, at: null })
    }
    await Promise.all(folders.map(walk))
  }
  await walk('')
  return found
}
