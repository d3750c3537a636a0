import { connect, type Socket } from 'node:net'
import { publish } from '../../scripts/seed'
import { askApp, doorOf } from '../door'
import { makeJob } from '../e2e/screen'
import type { Rig } from '../rig'

/** How long others took meanwhile, in ms. */
type Took = { readonly p50: number; readonly p95: number }
export type SlowTally = Took & { readonly slow: number; readonly streaming: number; readonly edits: number }

/**
 * Clients that hold on and give nothing: some send a request a letter at a time, some read a stream of news and never let go. Meanwhile
 * somebody edits, and it is told how long each edit took, in ms.
 */
export async function slowClients(rig: Rig, clients: { slow: number; streaming: number; edits: number }): Promise<SlowTally> {
  const job = await makeJob({ name: 'Held up' }, rig.app)
  const { port } = new URL(rig.app)
  const { cookie, 'x-request-token': token } = doorOf(rig.app).as
  const open = (first: string): Promise<Socket> => opened(Number(port), first)
  const head = `Host: 127.0.0.1:${port}\r\nCookie: ${cookie}\r\nX-Request-Token: ${token}\r\n`
  const slow = await inParts(clients.slow, () => open(`POST /api/jobs/${job}/edits HTTP/1.1\r\n${head}Content-Length: 100000\r\n\r\n{`))
  const streaming = await inParts(clients.streaming, () => open(`GET /api/jobs/${job}/events HTTP/1.1\r\n${head}\r\n`))
  const drip = setInterval(() => slow.forEach((socket) => socket.writable && socket.write(' ')), 1000)
  try {
    const times: number[] = []
    for (let i = 0; i < clients.edits; i++) times.push(await timed(() => edit(rig, job, i)))
    return { slow: alive(slow), streaming: alive(streaming), edits: times.length, ...took(times) }
  } finally {
    clearInterval(drip)
    for (const socket of [...slow, ...streaming]) socket.destroy()
  }
}

export type SlowVisitorsTally = Took & { readonly slow: number; readonly taking: number; readonly pages: number }

/**
 * Visitors of a site on our host that hold on: some ask a letter at a time, some take a picture and read no further than its beginning.
 * Meanwhile somebody opens pages, each on a line of its own, and it is told how long each took, in ms. How many were `taking` to the end
 * says that none of them has taken the whole.
 */
export async function slowVisitors(
  rig: Rig,
  { slow: asking, taking: reading, pages }: { slow: number; taking: number; pages: number },
): Promise<SlowVisitorsTally> {
  await publish(doorOf(rig.app), await makeJob({ name: 'Much Visited' }, rig.app), 'much-visited')
  const { host } = new URL(rig.siteUrl('much-visited'))
  const open = (first: string): Promise<Socket> => opened(rig.hostPort, first)
  const ask = async (path: string): Promise<string> => {
    const socket = await open(`GET ${path} HTTP/1.1\r\nHost: ${host}\r\nConnection: close\r\n\r\n`)
    let said = ''
    for await (const data of socket.setEncoding('latin1')) said += String(data)
    if (!said.startsWith('HTTP/1.1 200 ')) throw new Error(`${path} was answered ${said.slice(0, 60)}`)
    return said
  }
  const pictures = new Set((await ask('/')).match(/pictures\/[^" ]+\.(?:jpg|webp)/g))
  let [picture, whole] = ['', 0]
  for (const one of pictures) {
    const { length } = await ask(`/${one}`)
    if (length > whole) [picture, whole] = [one, length]
  }
  const slow = await inParts(asking, () => open(`GET / HTTP/1.1\r\nHost: ${host}\r\nX-Slow: `))
  const taken = new Map<Socket, number>()
  const taking = await inParts(reading, async () => {
    const socket = await open(`GET /${picture} HTTP/1.1\r\nHost: ${host}\r\n\r\n`)
    socket.on('data', (data) => taken.set(socket, (taken.get(socket) ?? 0) + data.length))
    socket.once('data', () => socket.pause())
    return socket
  })
  const drip = setInterval(() => slow.forEach((socket) => socket.writable && socket.write('a')), 1000)
  try {
    const times: number[] = []
    for (let i = 0; i < pages; i++) times.push(await timed(() => ask('/')))
    const held = taking.filter((socket) => (taken.get(socket) ?? 0) < whole)
    return { slow: alive(slow), taking: alive(held), pages: times.length, ...took(times) }
  } finally {
    clearInterval(drip)
    for (const socket of [...slow, ...taking]) socket.destroy()
  }
}

/** A line of its own, on which something was said. */
async function opened(port: number, first: string): Promise<Socket> {
  const socket = connect(port, '127.0.0.1')
  socket.on('error', () => undefined)
  await new Promise<void>((resolve) => socket.once('connect', () => resolve()))
  socket.write(first)
  return socket
}

function alive(sockets: readonly Socket[]): number {
  return sockets.filter(({ destroyed }) => !destroyed).length
}

function took(times: readonly number[]): Took {
  const sorted = times.toSorted((a, b) => a - b)
  const at = (part: number): number => Math.round(sorted[Math.floor(sorted.length * part)] ?? 0)
  return { p50: at(0.5), p95: at(0.95) }
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
