import { mkdir } from 'node:fs/promises'
import path from 'node:path'
import { folderServer } from '../folder/adapter'
import { filesTrial } from '../trial/files-trial'
import type { Trial } from '../trial/trial'
import { zipFile, type ZipSettings } from './settings'

/** The steps of a zip on this machine: whether its folder can be written to. Visitors see nothing of it until somebody puts it up. */
export function zipTrial(settings: ZipSettings, origin: string): Trial {
  const open = async (): Promise<ReturnType<typeof folderServer>> => {
    const folder = path.dirname(zipFile(settings))
    await mkdir(folder, { recursive: true })
    return folderServer(folder, () => undefined)
  }
  return {
    parts: filesTrial(open, origin, `the folder of ${settings.folder}.zip`).filter(([step]) => step !== 'read back'),
    close: () => undefined,
  }
}
