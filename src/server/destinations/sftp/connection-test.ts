import type { FileServer } from '../file-server/file-server'
import { filesTest } from '../connection-test/files-test'
import { findAddresses, firstLine, tryPort } from '../connection-test/network'
import { TestFault, type ConnectionTest, type TestPart } from '../connection-test/connection-test'
import { sftpServer } from './adapter'
import { connect, findHostKey, type Connection } from './connect'
import type { SftpSecret, SftpSettings } from './settings'

const USUAL = 'SFTP is mostly on port 22, with some hosts on 2222'

/** A server to be tried: its key is not known before the first time. */
export type TriedSftp = Omit<SftpSettings, 'hostKey'> & { readonly hostKey: string | null }

/** The steps of a connection by SFTP; `onHostKey` is told the key that the server showed. */
export function sftpTest(settings: TriedSftp, secret: SftpSecret, origin: string, onHostKey: (key: string) => void): ConnectionTest {
  const { host, port, user, folder, hostKey } = settings
  let seen = hostKey
  let connection: Connection | null = null
  let server: FileServer | null = null
  const open = async (): Promise<FileServer> => {
    connection ??= await connect({ ...settings, hostKey: seen ?? '' }, secret)
    server ??= sftpServer(connection, folder, () => undefined)
    return server
  }
  const parts: readonly TestPart[] = [
    ['name', async () => `${host} is at ${(await findAddresses(host)).join(', ')}.`],
    ['port', () => tryPort(host, port, USUAL)],
    ['greeting', () => greet(host, port)],
    [
      'host key',
      async () => {
        const found = await findHostKey(host, port)
        if (hostKey !== null && found !== hostKey)
          throw new TestFault(
            `The server shows the key ${found}, and the one that is remembered is ${hostKey}. Nothing was sent to it.`,
            'Ask whoever runs it whether it has a new key, and compare the letters. If it has, let this destination go and add it anew.',
          )
        seen = found
        onHostKey(found)
        return hostKey === null
          ? `It shows the key ${found}. Compare it with the one that its owner tells, if they do.`
          : 'It shows the key that is remembered.'
      },
    ],
    [
      'login',
      async () => {
        await open().catch((error: unknown) => {
          throw new TestFault(
            `The login as “${user}” was refused: ${error instanceof Error ? error.message : String(error)}.`,
            'Look at the user name, and type the password anew. Some servers take a key only, or want SFTP switched on for the login.',
          )
        })
        return `Logged in as ${user}.`
      },
    ],
    ...filesTest(open, origin, folder),
  ]
  return { parts, close: () => connection?.close() }
}

/** What the server says first (RFC 4253, 4.2): SSH says so. */
async function greet(host: string, port: number): Promise<string> {
  const said = await firstLine(host, port, USUAL)
  if (said.startsWith('SSH-')) return `It says “${said}”.`
  throw new TestFault(
    said === '' ? `Port ${port} of ${host} says nothing.` : `Port ${port} of ${host} says “${said}”, which is not SSH.`,
    said.startsWith('220')
      ? 'This is an FTP server. Choose FTP above, or ask for the port of SFTP, mostly 22.'
      : 'SFTP is on another port, mostly 22.',
  )
}
