import { mkdir } from 'node:fs/promises'
import { filesTest } from '../connection-test/files-test'
import type { ConnectionTest } from '../connection-test/connection-test'
import { folderServer } from './adapter'
import { wholePath, type FolderSettings } from './settings'

/** The steps of a connection to a folder on this machine. */
export function folderTest(settings: FolderSettings, origin: string): ConnectionTest {
  const open = async (): Promise<ReturnType<typeof folderServer>> => {
    const root = wholePath(settings)
    await mkdir(root, { recursive: true })
    return folderServer(root, () => undefined)
  }
  return { parts: filesTest(open, origin, settings.folder), close: () => undefined }
}
