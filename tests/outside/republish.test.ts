import { existsSync, mkdirSync, mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { afterAll, expect, test } from 'vitest'
import { countedLine } from '../counted-line'
import { testSite } from '../pack'
import { BY } from '../server/someone'
import { ownDataFolder } from '../server/log-fixture'
import { setText } from '../site'
import { openSsh, type OpenSsh } from './real-servers'

let ssh: OpenSsh | null = null
afterAll(() => ssh?.stop())

test('what we have of what was sent to OpenSSH’s server before does not travel again, after a restart too', async () => {
  ownDataFolder()
  const [{ createJob }, { appendRows, jobState }, destinations, { publish }, { dataFolder }, { forget }] = await Promise.all([
    import('../../src/server/use-cases/make-job'),
    import('../../src/server/log/edit-log'),
    import('../../src/server/use-cases/destinations'),
    import('../../src/server/use-cases/publish'),
    import('../../src/server/files/data-folder'),
    import('../../src/server/files/kept'),
  ])
  ssh = await openSsh()
  const line = await countedLine(ssh.port)
  const folder = path.join(mkdtempSync(path.join(tmpdir(), 'instant-fit-again-')), 'site')
  mkdirSync(folder)
  const job = createJob(testSite({ name: 'Again' }).document)
  const settings = { host: '127.0.0.1', port: line.port, user: ssh.user, folder, hostKey: ssh.hostKey }
  const connection = { kind: 'sftp', settings, secret: { key: ssh.key } } as const
  const { id } = destinations.addDestination(job, { name: 'Theirs', origin: 'https://again.example', connection }, BY)
  const go = async (): Promise<number> => {
    const before = line.bytes()
    await publish(job, { revision: jobState(job).revision, destination: id }, () => undefined, BY)
    return line.bytes() - before
  }
  const home = (): string => readFileSync(path.join(folder, 'index.html'), 'utf8')
  await go()
  const words = ['Mended by hand', 'Mended by hand, and kept']
  const sizes: number[] = []
  for (const [i, heading] of words.entries()) {
    // As after a restart: nothing is remembered but what is on the disk, and the line is a new one.
    forget(`destination-${id}`)
    const edit = setText('home.hero', 'heading', heading)
    appendRows(job, null, jobState(job).revision, [{ id: `heading-${i}`, gesture: `heading-${i}`, undoes: null, edit }])
    sizes.push(await go())
    expect(home()).toContain(heading)
  }
  // The page alone is longer than all that travels, the handshake and the look at every folder among it.
  expect(home().length).toBeGreaterThan(20_000)
  expect(Math.max(...sizes)).toBeLessThan(16_000)
  expect(existsSync(dataFolder('lists', id))).toBe(true)
  // What is kept on our side is a help and no more.
  destinations.letGoOfDestination(job, id, BY)
  expect(existsSync(dataFolder('lists', id))).toBe(false)
  line.stop()
})
