import { createHash } from 'node:crypto'
import { mkdtempSync } from 'node:fs'
import type { Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { makeDestination } from '../../src/server/destinations/shell'
import { webHost } from '../../src/server/destinations/web-host/adapter'
import { controlServer } from '../../src/standins/web-host/control-server'
import { hostIn } from '../../src/standins/web-host/host'
import { publicServer, type Shown } from '../../src/standins/web-host/public-server'
import { askHost } from '../e2e/screen'
import { destinationContract } from './destination-contract'

const listen = (server: Server): Promise<number> =>
  new Promise((resolve) => server.listen(0, '127.0.0.1', () => resolve((server.address() as AddressInfo).port)))
const makeHost = (quotaBytes: number | null): Shown =>
  hostIn(mkdtempSync(path.join(tmpdir(), 'instant-fit-host-')), { quotaBytes, plain: 0, secure: 0 })

const servers: Server[] = []
let control = 0
beforeAll(async () => {
  const host = makeHost(null)
  servers.push(controlServer(host, 'a-token'), publicServer(host))
  control = await listen(servers[0]!)
  process.env.WEB_HOST_TOKEN = 'a-token'
  host.ports.plain = await listen(servers[1]!)
  process.env.WEB_HOST_PORT = String(host.ports.plain)
  process.env.WEB_HOST_CONTROL_PORT = String(control)
})
afterAll(() => servers.forEach((server) => server.close()))

/** The adapter reads where its host is each time it asks. */
function at(port: number): ReturnType<typeof makeDestination> {
  process.env.WEB_HOST_CONTROL_PORT = String(port)
  return makeDestination(webHost)
}

destinationContract('the web host', () => ({
  destination: at(control),
  visit: async (address, page) => {
    const { status, text, headers } = await askHost(webHost.originOf(address), page)
    return { status, words: text, sentTo: headers.location === undefined ? null : String(headers.location) }
  },
  unplugged: () => at(1),
}))

test('a host without room says so', async () => {
  const full = controlServer(makeHost(10), 'a-token')
  servers.push(full)
  const destination = at(await listen(full))
  await destination.claim('full', 'job')
  const content = Buffer.from('more than ten bytes of content')
  const hash = createHash('sha256').update(content).digest('hex')
  const { send } = await destination.deliver('full', 'r1', { 'index.html': { hash, bytes: content.length } })
  await expect(send(hash, content)).rejects.toMatchObject({ fault: 'full' })
})
