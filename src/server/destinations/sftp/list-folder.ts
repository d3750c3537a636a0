import type { FileEntryWithStats, SFTPWrapper } from 'ssh2'
import { END_OF_FILE, statusOf } from './errors'
import { called, closed } from './whole-files'

/**
 * Every entry of a folder. The library can do so in one call; where the line breaks in the middle of that, it asks once more over what is
 * closed, and throws where nobody can catch it.
 */
export async function listFolder(sftp: SFTPWrapper, path: string, alive: () => void): Promise<readonly FileEntryWithStats[]> {
  const handle = await called<Buffer>((done) => sftp.opendir(path, done))
  const ask = (): Promise<readonly FileEntryWithStats[] | null> =>
    called<FileEntryWithStats[]>((done) => sftp.readdir(handle, done)).catch((error: unknown) => {
      if (statusOf(error) === END_OF_FILE) return null
      throw error
    })
  const entries: FileEntryWithStats[] = []
  try {
    // Most are told in one answer, and the next says that it was the last: both are asked for at once.
    for (;;) {
      const [some, more] = await Promise.all([ask(), ask()])
      alive()
      entries.push(...(some ?? []), ...(more ?? []))
      if (!some || !more) return entries.filter(({ filename }) => filename !== '.' && filename !== '..')
    }
  } finally {
    await closed(sftp, handle)
  }
}
