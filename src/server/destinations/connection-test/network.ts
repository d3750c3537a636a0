import { lookup } from 'node:dns/promises'
import { connect, type Socket } from 'node:net'
import { TestFault } from './connection-test'

const PATIENCE_MS = 8000

/** Looks a name up as the system does; answers with its addresses. */
export async function findAddresses(host: string): Promise<readonly string[]> {
  try {
    return (await lookup(host, { all: true })).map(({ address }) => address)
  } catch (error) {
    const code = codeOf(error)
    throw new TestFault(
      `“${host}” was looked up and has no address (${code}).`,
      code === 'EAI_AGAIN'
        ? 'The name servers did not answer: look whether this computer is online, then try again.'
        : 'Look at the spelling. A server’s name stands in the mail with the login; it is often not the name of the website.',
    )
  }
}

/** Opens a connection to a port; it is closed by whoever asked. `usual` says where what is asked for mostly listens. */
function openPort(host: string, port: number, usual: string): Promise<Socket> {
  return new Promise((resolve, reject) => {
    const socket = connect({ host, port })
    const fail = (said: string, advice: string): void => {
      socket.destroy()
      reject(new TestFault(said, advice))
    }
    socket.setTimeout(PATIENCE_MS, () =>
      fail(
        `Port ${port} of ${host} did not answer within ${PATIENCE_MS / 1000} seconds.`,
        'A firewall drops the connection, or the port is another. Ask which port it is, and whether your address is let in.',
      ),
    )
    socket.once('error', (error) =>
      fail(
        `Port ${port} of ${host} refused the connection (${codeOf(error)}).`,
        `Nothing listens there. ${usual}; it stands in the mail with the login.`,
      ),
    )
    socket.once('connect', () => {
      socket.removeAllListeners('error')
      socket.on('error', () => undefined)
      resolve(socket)
    })
  })
}

/** The step that finds out whether a port answers at all. */
export async function tryPort(host: string, port: number, usual: string): Promise<string> {
  ;(await openPort(host, port, usual)).destroy()
  return `Port ${port} answers.`
}

/** The first line that a server says by itself; what it said so far where it is silent. */
export async function firstLine(host: string, port: number, usual: string): Promise<string> {
  const socket = await openPort(host, port, usual)
  const said = await lineOf(socket)
  socket.destroy()
  return said
}

function lineOf(socket: Socket): Promise<string> {
  return new Promise((resolve) => {
    let said = ''
    const end = (): void => resolve(said.split(/\r?\n/)[0]?.slice(0, 200) ?? '')
    socket.setTimeout(PATIENCE_MS, end)
    socket.once('close', end)
    socket.on('data', (data: Buffer) => {
      said += data.toString('utf8')
      if (said.includes('\n') || said.length > 400) end()
    })
  })
}

function codeOf(error: unknown): string {
  return error instanceof Error && 'code' in error ? String(error.code) : String(error)
}
