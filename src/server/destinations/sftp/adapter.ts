import { posix } from 'node:path'
import type { SFTPWrapper } from 'ssh2'
import { own } from '../../../core/own'
import { isDestinationError, type Adapter } from '../destination'
import { fileServerAdapter } from '../file-server/adapter'
import type { AlikeFile, FileServer } from '../file-server/file-server'
import { NOTHING_SENT, type SentContents } from '../file-server/sent-contents'
import { moveOver } from '../file-server/replace'
import { filesIn, type Entry } from '../file-server/walk'
import { connect, type Connection } from './connect'
import { NO_SUCH_FILE, statusOf, toSftpError } from './errors'
import { listFolder } from './list-folder'
import { readAll, timeOf, writeAlike, writeAll } from './whole-files'
import type { SftpSecret, SftpSettings } from './settings'

/** A folder on a server that is reached by SFTP, version 3 of the protocol (draft-ietf-secsh-filexfer-02), which all servers speak. */
export function sftpDestination(settings: SftpSettings, secret: SftpSecret, kept: SentContents = NOTHING_SENT): Adapter {
  return fileServerAdapter('sftp', async (alive) => sftpServer(await connect(settings, secret), settings.folder, alive), { kept })
}

type Done<T> = (error: Error | null | undefined, result: T) => void

/** The folder on a server that is connected. */
export function sftpServer({ sftp, close }: Connection, folder: string, alive: () => void): FileServer {
  const root = posix.join(folder, '.').replace(/\/$/, '')
  const at = (path: string): string => (path === '' ? root || '/' : `${root}/${path}`)
  /** Asks once, and says in words what was done when that fails. */
  const ask = <T>(did: string, work: (done: Done<T>) => void): Promise<T> =>
    new Promise((resolve, reject) => {
      work((error, result) => {
        alive()
        if (error) reject(toSftpError(error, did) as Error)
        else resolve(result)
      })
    })
  const quietly = async (codes: readonly number[], work: Promise<unknown>): Promise<void> => {
    await work.catch((error: unknown) => {
      const cause = error instanceof Error ? (error.cause ?? error) : error
      if (!codes.includes(statusOf(cause) ?? -1)) throw error
    })
  }
  const isFolder = (path: string): Promise<boolean> =>
    ask<boolean>(`looking at ${path}`, (done) => sftp.stat(at(path), (error, stats) => done(null, !error && stats.isDirectory())))
  const rename = (from: string, to: string): Promise<void> =>
    ask(`moving to ${to}`, (done: Done<void>) => sftp.rename(at(from), at(to), (error) => done(error, undefined)))
  const remove = (path: string): Promise<void> =>
    quietly(
      [NO_SUCH_FILE],
      ask(`removing ${path}`, (done: Done<void>) => sftp.unlink(at(path), (error) => done(error, undefined))),
    )
  const list = async (folder: string): Promise<readonly Entry[]> => {
    const found = await listFolder(sftp, at(folder), alive).catch((error: unknown) => {
      throw toSftpError(error, `listing ${folder || 'the folder'}`)
    })
    return found.map(({ filename, attrs }) => ({
      name: filename,
      is: attrs.isDirectory() ? 'folder' : attrs.isFile() ? 'file' : 'other',
      bytes: attrs.size,
      at: timeOf(attrs),
    }))
  }
  /** What cannot be taken over, whatever the server has against it, goes whole. */
  const takeOver = (path: string, content: Buffer, from: AlikeFile): ReturnType<typeof writeAlike> =>
    writeAlike(sftp, at(path), content, { ...from, path: at(from.path) }, alive).catch((error: unknown) => {
      if (statusOf(error) === null && !isDestinationError(error)) throw error
      return null
    })
  return {
    list: (under) => filesIn(under, list),
    timeOf: (path) =>
      ask<number | null>(`looking at ${path}`, (done) => sftp.lstat(at(path), (error, stats) => done(error, error ? null : timeOf(stats)))),
    count: async () => (await list('')).length,
    read: (path, known = null) =>
      readAll(sftp, at(path), known, alive).catch((error: unknown) => {
        if (statusOf(error) === NO_SUCH_FILE) return null
        throw toSftpError(error, `reading ${path}`)
      }),
    write: async (path, content, from = null) => {
      try {
        const taken = from && canCopy(sftp) ? await takeOver(path, content, from) : null
        return taken ? taken.at : await writeAll(sftp, at(path), content, alive)
      } catch (error) {
        throw toSftpError(error, `writing ${path}`)
      }
    },
    move: async (from, to) => {
      if (canReplace(sftp))
        return ask(`moving to ${to}`, (done: Done<void>) => sftp.ext_openssh_rename(at(from), at(to), (error) => done(error, undefined)))
      // Version 3 leaves open whether a file is replaced.
      await moveOver({ rename, remove }, from, to)
    },
    remove,
    makeFolder: async (path) => {
      try {
        await ask(`making the folder ${path}`, (done: Done<void>) => sftp.mkdir(at(path), (error) => done(error, undefined)))
      } catch (error) {
        if (!isDestinationError(error) || !(await isFolder(path))) throw error
      }
    },
    removeFolder: (path) => ask<boolean>(`removing the folder ${path}`, (done) => sftp.rmdir(at(path), (error) => done(null, !error))),
    close,
  }
}

/** Whether a server renames in one step over what is there: an extension of OpenSSH's. */
function canReplace(sftp: SFTPWrapper): boolean {
  return extensionOf(sftp, 'posix-rename@openssh.com') === '1'
}

/** Whether a server copies from one of its files into another (draft-ietf-secsh-filexfer-extensions-00, 7). */
function canCopy(sftp: SFTPWrapper): boolean {
  return extensionOf(sftp, 'copy-data') === '1'
}

/** The version of an extension that a server has; the types leave it out. */
function extensionOf(sftp: SFTPWrapper, name: string): string | undefined {
  const { _extensions: extensions } = sftp as unknown as { readonly _extensions?: Readonly<Record<string, string>> }
  return extensions && own(extensions, name)
}
