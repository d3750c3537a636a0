import { posix } from 'node:path'
import { Readable, Writable } from 'node:stream'
import type { Client } from 'basic-ftp'
import { WAITING_FOLDER } from '../../../core/release'
import type { Adapter } from '../destination'
import { fileServerAdapter } from '../file-server/adapter'
import type { FileServer } from '../file-server/file-server'
import { moveOver } from '../file-server/replace'
import { filesIn, type Entry } from '../file-server/walk'
import { connect } from './connect'
import { connections } from './connections'
import { NOT_THERE, replyOf, toFtpError } from './errors'
import type { FtpSecret, FtpSettings } from './settings'

/** A folder on a server that is reached by FTP (RFC 959), encrypted or not. */
export function ftpDestination(settings: FtpSettings, secret: FtpSecret): Adapter {
  return fileServerAdapter('ftp', async (alive) => {
    const open = (): Promise<Client> => connect(settings, secret, alive)
    return ftpServer(await open(), open, settings.folder, alive)
  })
}

/** The folder on a server that is connected. */
export async function ftpServer(first: Client, open: () => Promise<Client>, folder: string, alive: () => void): Promise<FileServer> {
  const root = posix.resolve('/', await first.pwd(), folder)
  const at = (path: string): string => posix.join(root, path)
  const lines = connections(first, open)
  /** Asks once, and says in words what was done when that fails. */
  const ask = async <T>(did: string, work: (client: Client) => Promise<T>): Promise<T> => {
    try {
      return await lines.use(work)
    } catch (error) {
      throw toFtpError(error, did)
    } finally {
      alive()
    }
  }
  const rename = (from: string, to: string): Promise<void> =>
    ask(`moving to ${to}`, async (client) => void (await client.rename(at(from), at(to))))
  const isThere = (path: string): Promise<boolean> =>
    ask(`looking at ${path}`, (client) => client.size(at(path)).then(() => true, unless(NOT_THERE, false)))
  const remove = async (path: string): Promise<void> => {
    try {
      await ask(`removing ${path}`, (client) => client.remove(at(path)))
    } catch (error) {
      if (replyOf(error) !== NOT_THERE || (await isThere(path))) throw error
    }
  }
  const isFolder = (path: string): Promise<boolean> =>
    ask(`looking at ${path}`, (client) => client.cd(at(path)).then(() => true, unless(NOT_THERE, false)))
  const list = async (path: string): Promise<readonly Entry[]> => {
    const found = await ask(`listing ${path || 'the folder'}`, async (client) => {
      // A path of its own after the command is taken for options by some servers.
      await client.cd(at(path))
      return client.list()
    })
    const entries = found.map(({ name, size, isDirectory, isFile }): Entry => ({
      name,
      is: isDirectory ? 'folder' : isFile ? 'file' : 'other',
      bytes: size,
      // A listing has it by the minute, in a zone that nobody knows.
      at: null,
    }))
    if (path !== '' || entries.some(({ name }) => name === WAITING_FOLDER)) return entries
    // Many servers do not list what begins with a dot, and let it be used all the same.
    return (await isFolder(WAITING_FOLDER)) ? [...entries, { name: WAITING_FOLDER, is: 'folder', bytes: 0, at: null }] : entries
  }
  return {
    list: (under) => filesIn(under, list),
    timeOf: () => Promise.resolve(null),
    count: async () => (await list('')).length,
    read: async (path) => {
      const parts: Buffer[] = []
      const taker = new Writable({
        write: (part: Buffer, _, done) => {
          parts.push(part)
          done()
        },
      })
      try {
        await ask(`reading ${path}`, (client) => client.downloadTo(taker, at(path)))
        return { content: Buffer.concat(parts), at: null }
      } catch (error) {
        // Servers do not agree on the reply for a file that is not there.
        if (replyOf(error) === null || (await isThere(path))) throw error
        return null
      }
    },
    write: (path, content) =>
      ask(`writing ${path}`, async (client) => {
        await client.uploadFrom(Readable.from([content], { objectMode: false }), at(path))
        return null
      }),
    move: (from, to) => moveOver({ rename, remove }, from, to),
    remove,
    makeFolder: async (path) => {
      try {
        await ask(`making the folder ${path}`, (client) => client.send(`MKD ${at(path)}`))
      } catch (error) {
        if (!(await isFolder(path))) throw error
      }
    },
    removeFolder: (path) =>
      ask(`removing the folder ${path}`, async (client) => (await client.sendIgnoringError(`RMD ${at(path)}`)).code < 300),
    close: lines.close,
  }
}

/** What a reply means that is no fault. */
function unless<T>(reply: number, instead: T): (error: unknown) => T {
  return (error) => {
    if (replyOf(error) === reply) return instead
    throw error
  }
}
