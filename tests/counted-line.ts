import { connect, createServer, type AddressInfo } from 'node:net'

/** A port of this machine that leads to another, and counts the bytes that go either way. */
export type CountedLine = { readonly port: number; readonly bytes: () => number; readonly stop: () => void }

export async function countedLine(to: number): Promise<CountedLine> {
  let bytes = 0
  const server = createServer((ours) => {
    const theirs = connect(to, '127.0.0.1')
    for (const side of [ours, theirs]) {
      side.on('data', (data: Buffer) => (bytes += data.length))
      side.on('error', () => [ours, theirs].forEach((one) => one.destroy()))
    }
    ours.pipe(theirs).pipe(ours)
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  return { port: (server.address() as AddressInfo).port, bytes: () => bytes, stop: () => void server.close() }
}
