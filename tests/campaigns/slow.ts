import { connect, type Socket } from 'node:net'
import { askApp, doorOf } from '../door'
import { makeJob } from '../e2e/screen'
import type { Rig } from '../rig'

export type SlowTally = {
  readonly slow: number
  readonly streaming: number
  readonly edits: number
  readonly p50: number
  readonly p95: number
}

/**
 * Clients that hold on and give nothing: some send a request a letter at a time, some read a stream of news and never let go. Meanwhile
 * somebody edits, and it is told how long each edit took, in ms.
 */
export async function slowClients(rig: Rig, clients: { slow: number; streaming: number; edits: number }): Promise<SlowTally> {
  const job = await makeJob({ name: 'Held up' }, rig.app)
  const { port } = new URL(rig.app)
  const { cookie, 'x-request-token': token } = doorOf(rig.app).as
  const open = async (first: string): Promise<Socket> => {
    const socket = connect(Number(port), '127.0.0.1')
    socket.on('error', () => undefined)
    await new Promise<void>((resolve) => socket.once('connect', () => resolve()))
    socket.write(first)
    return socket
  }
  const head = `Host: 127.0.0.1:${port}\r\nCookie: ${cookie}\r\nX-Request-Token: ${token}\r\n`
  const slow = await inParts(clients.slow, () => open(`POST /api/jobs/${job}/edits HTTP/1.1\r\n${head}Content-Length: 100000\r\n\r\n{`))
  const streaming = await inParts(clients.streaming, () => open(`GET /api/jobs/${job}/events HTTP/1.1\r\n${head}\r\n`))
  const drip = setInterval(() => slow.forEach((socket) => socket.writable && socket.write(' ')), 1000)
  try {
    const times: number[] = []
    for (let i = 0; i < clients.edits; i++) times.push(await timed(() => edit(rig, job, i)))
    const sorted = times.toSorted((a, b) => a - b)
    const at = (part: number): number => Math.round(sorted[Math.floor(sorted.length * part)] ?? 0)
    const alive = (sockets: readonly Socket[]): number => sockets.filter(({ destroyed }) => !destroyed).length
    return { slow: alive(slow), streaming: alive(streaming), edits: times.length, p50: at(0.5), p95: at(0.95) }
  } finally {
    clearInterval(drip)
    for (const socket of [...slow, ...streaming]) socket.destroy()
  }
}

async function inParts(count: number, make: () => Promise<Socket>): Promise<Socket[]> {
  const made: Socket[] = []
  while (made.length < count) made.push(...(await Promise.all(Array.from({ length: Math.min(50, count - made.length) }, make))))
  return made
}

async function timed(work: () => Promise<unknown>): Promise<number> {
  const start = performance.now()
  await work()
  return performance.now() - start
}

async function edit(rig: Rig, job: string, revision: number): Promise<void> {
  const step = { type: 'slot/set', section: 'home.hero', entry: null, slot: 'heading', value: { type: 'text', text: `Edit ${revision}` } }
  const rows = [{ id: `slow-row-${revision}`, gesture: `g${revision}`, undoes: null, edit: step }]
  const body = JSON.stringify({ base: revision, who: null, rows })
  const reply = await askApp(`${rig.app}/api/jobs/${job}/edits`, { method: 'POST', headers: { 'content-type': 'application/json' }, body })
  if (!reply.ok) throw new Error(`An edit was answered ${reply.status} while others held on: ${await reply.text()}`)
  await reply.arrayBuffer()
}
