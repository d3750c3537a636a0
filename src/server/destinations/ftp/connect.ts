import { TLSSocket, type ConnectionOptions, type PeerCertificate } from 'node:tls'
import { Client, enterPassiveModeIPv4, enterPassiveModeIPv6, type FTPContext, type FTPResponse } from 'basic-ftp'
import { DestinationError } from '../destination'
import { certificateFault, toFtpError } from './errors'
import type { FtpSecret, FtpSettings } from './settings'

/** Time-outs of whole calls are the shell's; this one ends a line on which nothing is heard. */
const QUIET_MS = 15_000

/** Connects, makes the line secure where it is to be, and logs in; nothing secret is said to a server that is not the known one. */
export async function connect(settings: FtpSettings, { password }: FtpSecret, alive: () => void): Promise<Client> {
  const client = await greeted(settings, alive)
  try {
    if (settings.isSecure) await secure(client, settings)
    await client.sendIgnoringError('OPTS UTF8 ON')
    await client.login(settings.user, password)
    await client.useDefaultSettings()
    return client
  } catch (error) {
    client.close()
    throw toFtpError(error, 'logging in')
  }
}

/** A connection on which the server has said its greeting. */
export async function greeted({ host, port }: Pick<FtpSettings, 'host' | 'port'>, alive: () => void = () => undefined): Promise<Client> {
  const client = new Client(QUIET_MS)
  client.trackProgress(alive)
  client.prepareTransfer = passive()
  try {
    await client.connect(host, port)
    client.ftp.socket.setNoDelay(true)
    return client
  } catch (error) {
    client.close()
    throw error
  }
}

/** Encrypts a line, and every connection for files that comes of it. */
export async function secure(client: Client, { host, certificate }: Pick<FtpSettings, 'host' | 'certificate'>): Promise<void> {
  const options: ConnectionOptions = { host, servername: host, rejectUnauthorized: certificate === null }
  try {
    // A name is told to the server only where it is one (RFC 6066, 3).
    await client.useTLS(/^[\d.]+$|:/.test(host) ? { ...options, servername: '' } : options)
  } catch (error) {
    const fault = certificateFault(error)
    if (fault === null) throw error
    throw new DestinationError('refused', `its certificate is not to be trusted: ${fault}`, { cause: error })
  }
  if (certificate === null) return
  expectCertificate(client.ftp.socket, certificate)
  const prepare = client.prepareTransfer
  client.prepareTransfer = async (ftp) => {
    const response = await prepare(ftp)
    const socket = ftp.dataSocket
    // It is known once both have shaken hands; nothing is sent before that.
    if (socket instanceof TLSSocket)
      socket.once('secureConnect', () => {
        if (!socket.isSessionReused() && certificateOf(socket)?.fingerprint256 !== certificate)
          socket.destroy(new Error('another certificate'))
      })
    return response
  }
}

/** The certificate that a server has shown. */
export function certificateOf(socket: unknown): PeerCertificate | null {
  return socket instanceof TLSSocket ? socket.getPeerCertificate() : null
}

function expectCertificate(socket: unknown, known: string): void {
  const found = certificateOf(socket)?.fingerprint256 ?? 'none'
  if (found === known) return
  throw new DestinationError(
    'refused',
    `it shows another certificate (${found}) than the one that is remembered, so nothing was sent to it; ask whoever runs it why`,
  )
}

/**
 * How connections for files are opened: by the extended command (RFC 2428), by the old one where a server has only that. They go to where
 * the first one went, whatever address the server tells: behind a router that is often its inner one, and never a third machine's.
 */
function passive(): (ftp: FTPContext) => Promise<FTPResponse> {
  let known: ((ftp: FTPContext) => Promise<FTPResponse>) | null = null
  return async (ftp) => {
    if (known) return known(ftp)
    for (const way of [enterPassiveModeIPv6, passiveIPv4]) {
      try {
        const response = await way(ftp)
        known = way
        return response
      } catch (error) {
        if (way === passiveIPv4) throw error
      }
    }
    throw new Error('no way to open a connection for files')
  }
}

function passiveIPv4(ftp: FTPContext): Promise<FTPResponse> {
  const host = ftp.socket.remoteAddress?.replace(/^::ffff:/i, '').replaceAll('.', ',')
  const request = async (command: string): Promise<FTPResponse> => {
    const { code, message } = await ftp.request(command)
    return { code, message: message.replace(/(?<!\d)(?:\d{1,3},){4}(\d{1,3},\d{1,3})/, `${host},$1`) }
  }
  const redirected = new Proxy(ftp, {
    get: (context, key) => (key === 'request' ? request : (Reflect.get(context, key, context) as unknown)),
    set: (context, key, value) => Reflect.set(context, key, value, context),
  })
  return enterPassiveModeIPv4(redirected)
}
