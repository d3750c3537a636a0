import { mkdir } from 'node:fs/promises'
import path from 'node:path'
import { folderServer } from '../folder/adapter'
import { filesTest } from '../connection-test/files-test'
import type { ConnectionTest } from '../connection-test/connection-test'
import { zipFile, type ZipSettings } from './settings'

/** The steps of a zip on this machine: whether its folder can be written to. Visitors see nothing of it until somebody puts it up. */
export function zipTest(settings: ZipSettings, origin: string): ConnectionTest {
  const open = async (): Promise<ReturnType<typeof folderServer>> => {
    const folder = path.dirname(zipFile(settings))
    await mkdir(folder, { recursive: true })
    return folderServer(folder, () => undefined)
  }
  return {
    parts: filesTest(open, origin, `the folder of ${settings.folder}.zip`).filter(([step]) => step !== 'read back'),
    close: () => undefined,
  }
}
