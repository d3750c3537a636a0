import { mkdir } from 'node:fs/promises'
import { filesTrial } from '../trial/files-trial'
import type { Trial } from '../trial/trial'
import { folderServer } from './adapter'
import { wholePath, type FolderSettings } from './settings'

/** The steps of a connection to a folder on this machine. */
export function folderTrial(settings: FolderSettings, origin: string): Trial {
  const open = async (): Promise<ReturnType<typeof folderServer>> => {
    const root = wholePath(settings)
    await mkdir(root, { recursive: true })
    return folderServer(root, () => undefined)
  }
  return { parts: filesTrial(open, origin, settings.folder), close: () => undefined }
}
