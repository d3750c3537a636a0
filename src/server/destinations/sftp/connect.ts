import { createHash } from 'node:crypto'
import ssh2, { type ConnectConfig, type SFTPWrapper } from 'ssh2'
import { DestinationError } from '../destination'
import { toConnectError } from './errors'
import type { SftpSecret, SftpSettings } from './settings'

const READY_MS = 15_000
const QUIET_MS = 10_000

export type Connection = { readonly sftp: SFTPWrapper; readonly close: () => void }

/** A key as OpenSSH shows it: SHA-256, in base64 without its padding. */
export function fingerprint(key: Buffer): string {
  return `SHA256:${createHash('sha256').update(key).digest('base64').replaceAll('=', '')}`
}

/** Connects and logs in; a host with another key than the one that is known is refused before anything secret is said to it. */
export function connect({ host, port, user, hostKey }: SftpSettings, secret: SftpSecret): Promise<Connection> {
  const client = new ssh2.Client()
  let found: string | null = null
  const config: ConnectConfig = {
    host,
    port,
    username: user,
    readyTimeout: READY_MS,
    keepaliveInterval: QUIET_MS,
    // Lists and pages are words: a third of them travels.
    algorithms: { compress: ['zlib@openssh.com', 'none'] },
    hostVerifier: (key: Buffer) => (found = fingerprint(key)) === hostKey,
    ...('password' in secret
      ? { password: secret.password }
      : { privateKey: secret.key, ...(secret.passphrase !== undefined && { passphrase: secret.passphrase }) }),
  }
  return new Promise((resolve, reject) => {
    const fail = (error: unknown): void => {
      client.end()
      reject(found !== null && found !== hostKey ? otherKey(found) : toConnectError(error))
    }
    client.on('error', fail)
    client.on('close', () => fail(new Error('the server closed the connection')))
    client.on('ready', () => {
      // Each question is one small packet: none waits for others to travel with.
      client.setNoDelay(true)
      client.sftp((error, sftp) => {
        if (error) return fail(error)
        resolve({ sftp, close: () => client.end() })
      })
    })
    try {
      client.connect(config)
    } catch (error) {
      fail(error)
    }
  })
}

/** The key that a server shows; nothing secret is said to it. */
export function findHostKey(host: string, port: number): Promise<string> {
  const client = new ssh2.Client()
  return new Promise((resolve, reject) => {
    client.on('error', reject)
    client.connect({
      host,
      port,
      username: 'nobody',
      readyTimeout: READY_MS,
      hostVerifier: (key: Buffer) => {
        resolve(fingerprint(key))
        client.end()
        return false
      },
    })
  })
}

function otherKey(found: string): DestinationError {
  return new DestinationError(
    'refused',
    `it shows another key (${found}) than the one that is remembered, so nothing was sent to it; ask whoever runs it why`,
  )
}
