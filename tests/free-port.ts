import { randomInt } from 'node:crypto'
import { connect, createServer } from 'node:net'

/** Below what Linux gives to whoever calls out (ip(7): from 32768), so that no call of ours takes one before its server does. */
const [FIRST, END] = [12_000, 32_000]

/** A port that is free on every one of some addresses of this machine. */
export async function freePort(addresses: readonly string[] = ['127.0.0.1']): Promise<number> {
  for (;;) {
    const port = randomInt(FIRST, END)
    const isFree = await Promise.all(addresses.map((address) => canListen(address, port)))
    if (isFree.every(Boolean)) return port
  }
}

function canListen(address: string, port: number): Promise<boolean> {
  return new Promise((resolve) => {
    const server = createServer()
    server.once('error', () => resolve(false))
    server.listen(port, address, () => server.close(() => resolve(true)))
  })
}

/** Whether something listens on a port of this machine. */
export function answers(port: number): Promise<boolean> {
  return new Promise((resolve) => {
    const socket = connect(port, '127.0.0.1')
    socket.once('connect', () => {
      socket.destroy()
      resolve(true)
    })
    socket.once('error', () => setTimeout(() => resolve(false), 50))
  })
}
