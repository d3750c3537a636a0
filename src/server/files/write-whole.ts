import { closeSync, fsyncSync, mkdirSync, openSync, renameSync, rmSync, writeSync } from 'node:fs'
import { randomUUID } from 'node:crypto'
import path from 'node:path'

/**
 * Writes a file so that it is there whole or not at all, whenever the power goes: a part file, synced, renamed into its
 * place, and the folder synced, so that the name outlives a crash too. The one way files are written here.
 */
export function writeWhole(file: string, bytes: Uint8Array | string): void {
  const folder = path.dirname(file)
  mkdirSync(folder, { recursive: true })
  const part = `${file}.${randomUUID()}.part`
  try {
    writeSynced(part, typeof bytes === 'string' ? Buffer.from(bytes) : bytes)
    renameSync(part, file)
  } catch (error) {
    rmSync(part, { force: true })
    throw error
  }
  syncFolder(folder)
}

function writeSynced(file: string, bytes: Uint8Array): void {
  const handle = openSync(file, 'wx')
  try {
    for (let at = 0; at < bytes.length;) at += writeSync(handle, bytes, at)
    fsyncSync(handle)
  } finally {
    closeSync(handle)
  }
}

/** Makes the names in a folder as lasting as the files they name. */
export function syncFolder(folder: string): void {
  const handle = openSync(folder, 'r')
  try {
    fsyncSync(handle)
  } finally {
    closeSync(handle)
  }
}
