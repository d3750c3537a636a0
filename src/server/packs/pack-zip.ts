import { randomUUID } from 'node:crypto'
import { renameSync, rmSync } from 'node:fs'
import { zipSync } from 'fflate'
import { findTemplate } from '../../core/pack'
import { madeFolder } from '../files/data-folder'
import { syncFolder } from '../files/write-whole'
import { readOutside } from '../readers/read-outside'
import { forgetPacks, pack, packFilesOf } from './packs'
import { Problem } from '../problems'

export const MAX_PACK_BYTES = 60 * 1024 * 1024

/** A template as a pack of its own: its files, and those of the designs it uses. The same files give the same zip. */
export function takeOutPack(id: string): Uint8Array {
  const template = findTemplate(pack(), id)
  if (!template) throw new Problem('templateGone')
  const at = new Date('2000-01-01T00:00:00')
  const files = [...packFilesOf(template)].sort(([a], [b]) => (a < b ? -1 : 1))
  return zipSync(Object.fromEntries(files.map(([name, bytes]) => [name, new Uint8Array(bytes)])), { mtime: at, level: 6 })
}

/** Checks a zip as a pack and keeps it; with a single fault nothing of it is kept, and every fault is told. */
export async function bringInPack(name: string, bytes: Uint8Array): Promise<string[]> {
  const shown = name.slice(0, 80) || 'the pack'
  const packs = madeFolder('packs')
  // Written beside, then put in place by one rename: a pack is there whole or not at all.
  const part = `${packs}/.${randomUUID()}`
  try {
    const ids = await readOutside('pack', shown, { bytes, packs, folder: part })
    renameSync(part, `${packs}/${ids.join('+').slice(0, 100)}`)
    syncFolder(packs)
    forgetPacks()
    return ids
  } finally {
    rmSync(part, { recursive: true, force: true })
  }
}
