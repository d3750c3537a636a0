import type { Client } from 'basic-ftp'
import { isDestinationError } from '../destination'
import type { FileServer } from '../file-server/file-server'
import { filesTest } from '../connection-test/files-test'
import { findAddresses, firstLine, tryPort } from '../connection-test/network'
import { TestFault, type ConnectionTest, type TestPart } from '../connection-test/connection-test'
import { ftpServer } from './adapter'
import { certificateOf, connect, greeted, secure } from './connect'
import { certificateFault, wordsOf } from './errors'
import type { FtpSecret, FtpSettings } from './settings'

const USUAL = 'FTP is mostly on port 21'

/** The steps of a connection by FTP; `onCertificate` is told of one that nobody vouches for. */
export function ftpTest(settings: FtpSettings, secret: FtpSecret, origin: string, onCertificate: (found: string) => void): ConnectionTest {
  const { host, port, user, folder, isSecure } = settings
  const clients: Client[] = []
  const open = async (): Promise<Client> => {
    const client = await connect(settings, secret, () => undefined)
    clients.push(client)
    return client
  }
  let server: FileServer | null = null
  const opened = async (): Promise<FileServer> => (server ??= await ftpServer(await open(), open, folder, () => undefined))
  const parts: readonly TestPart[] = [
    ['name', async () => `${host} is at ${(await findAddresses(host)).join(', ')}.`],
    ['port', () => tryPort(host, port, USUAL)],
    ['greeting', () => greet(host, port)],
    ...(isSecure ? ([['certificate', () => lookAtCertificate(settings, onCertificate)]] as const) : []),
    [
      'login',
      async () => {
        await opened().catch((error: unknown) => {
          const said = wordsOf(error)
          if (!isDestinationError(error) || error.fault === 'down')
            throw new TestFault(
              `The line broke before “${user}” was logged in: ${said}.`,
              'Try again; where it stays so, ask whoever runs it.',
            )
          const advice = 'Look at the user name, and type the password anew.'
          throw new TestFault(
            `The login as “${user}” was refused: ${said}.`,
            isSecure ? advice : `${advice} Some servers let nobody in without encryption: try with it.`,
          )
        })
        return isSecure ? `Logged in as ${user}.` : `Logged in as ${user}, unencrypted: whoever is on the way can read the password.`
      },
    ],
    ...filesTest(opened, origin, folder),
  ]
  const close = (): void => {
    server?.close()
    clients.forEach((client) => client.close())
  }
  return { parts, close }
}

/** What the server says first (RFC 959, 5.4): 220 says that it is ready. */
async function greet(host: string, port: number): Promise<string> {
  const said = await firstLine(host, port, USUAL)
  if (/^220[ -]/.test(said)) return `It says “${said}”.`
  if (said.startsWith('SSH-'))
    throw new TestFault(`Port ${port} of ${host} says “${said}”, which is SSH.`, 'This server speaks SFTP there: choose SFTP above.')
  throw new TestFault(
    said === '' ? `Port ${port} of ${host} says nothing.` : `Port ${port} of ${host} says “${said}”, which is no greeting of FTP.`,
    said === ''
      ? 'Some servers encrypt before the first word, on port 990. Ask for the port of explicit TLS, mostly 21.'
      : 'FTP is on another port, mostly 21. A server that says 421 lets no more connections in: try again later.',
  )
}

/** Encrypts the line, and says whose certificate the server has shown. */
async function lookAtCertificate(settings: FtpSettings, onCertificate: (found: string) => void): Promise<string> {
  const client = await greeted(settings)
  try {
    await secure(client, settings)
    const certificate = certificateOf(client.ftp.socket)
    if (settings.certificate !== null) {
      onCertificate(settings.certificate)
      return `It shows the certificate that you trust, ${settings.certificate}.`
    }
    return `It is vouched for, of ${String(certificate?.subject.CN)}, until ${String(certificate?.valid_to)}.`
  } catch (error) {
    const cause = error instanceof Error ? (error.cause ?? error) : error
    const why = certificateFault(cause)
    if (why !== null) {
      const found = await shownCertificate(settings)
      onCertificate(found)
      throw new TestFault(
        `The server’s certificate is not to be trusted by itself: ${why}. Its SHA-256 is ${found}.`,
        'Compare it with what whoever runs the server tells you. If it is theirs, trust it below; from then on no other one is.',
      )
    }
    throw new TestFault(
      `The line could not be encrypted: ${wordsOf(error)}.`,
      settings.certificate === null
        ? 'The server may not offer encryption (TLS). Ask whether it does, or whether it takes SFTP.'
        : 'Ask whoever runs it whether it has a new certificate. If it has, let this destination go and add it anew.',
    )
  } finally {
    client.close()
  }
}

/** The certificate that a server shows to whoever asks; nothing secret is said to it. */
async function shownCertificate(settings: FtpSettings): Promise<string> {
  const client = await greeted(settings)
  try {
    await client.useTLS({ rejectUnauthorized: false })
    return certificateOf(client.ftp.socket)?.fingerprint256 ?? ''
  } finally {
    client.close()
  }
}
