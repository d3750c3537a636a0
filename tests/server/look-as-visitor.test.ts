import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:http'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { beforeAll, expect, test } from 'vitest'
import { webStandIn } from '../../src/standins/client-server/web'
import { testSite } from '../pack'
import { serving } from './file-servers'
import { ownDataFolder } from './log-fixture'
import { BY } from './someone'

let make: typeof import('../../src/server/use-cases/make-job')
let log: typeof import('../../src/server/log/edit-log')
let destinations: typeof import('../../src/server/use-cases/destinations')
let publishing: typeof import('../../src/server/use-cases/publish')
let looking: typeof import('../../src/server/use-cases/look-as-visitor')

const folders = mkdtempSync(path.join(tmpdir(), 'instant-fit-looked-'))
const silent = (): void => undefined
beforeAll(async () => {
  ownDataFolder()
  process.env.INSTANT_FIT_FOLDERS = folders
  ;[make, log, destinations, publishing, looking] = await Promise.all([
    import('../../src/server/use-cases/make-job'),
    import('../../src/server/log/edit-log'),
    import('../../src/server/use-cases/destinations'),
    import('../../src/server/use-cases/publish'),
    import('../../src/server/use-cases/look-as-visitor'),
  ])
})

/** A job of one page, in a folder that is served at an origin. */
async function published(name: string, origin: string): Promise<{ readonly job: string; readonly id: string; readonly folder: string }> {
  const { document } = testSite({ name: 'Looked At' })
  const page = document.pages.legal!
  const sections = Object.fromEntries(Object.entries(document.sections).filter(([, s]) => s.in.type !== 'page' || s.in.page === 'legal'))
  const job = make.createJob({ ...document, pages: { legal: { ...page, segment: '' } }, sections })
  const reach = { kind: 'folder', settings: { folder: name }, secret: null } as const
  const { id } = destinations.addDestination(job, { name, origin, reach }, BY)
  await publishing.publish(job, { revision: log.jobState(job).revision, destination: id }, silent, BY)
  return { job, id, folder: path.join(folders, name) }
}

test('every file of what is live is asked for as a visitor does; what is not as it was sent is told by file', async () => {
  mkdirSync(path.join(folders, 'seen'))
  const port = await serving(webStandIn(path.join(folders, 'seen')))
  const { job, id, folder } = await published('seen', `http://client.localhost:${port}`)
  const told: number[] = []
  const whole = await looking.lookAsVisitor(job, id, ({ done }) => told.push(done))
  expect(whole.faults).toEqual([])
  expect(whole.files).toBeGreaterThan(5)
  expect(told.at(-1)).toBe(whole.files)
  writeFileSync(path.join(folder, 'index.html'), 'by another hand')
  rmSync(path.join(folder, 'robots.txt'))
  rmSync(path.join(folder, '404.html'))
  const { faults } = await looking.lookAsVisitor(job, id, silent)
  expect(faults.map(({ path: file }) => file)).toEqual(['404.html', 'index.html', 'robots.txt'])
  expect(faults.map(({ said }) => said)).toEqual([
    expect.stringContaining('Something else comes'),
    expect.stringContaining('15 bytes'),
    'It answers with status 404.',
  ])
})

test('where the address leads elsewhere, or nobody answers, that is said', async () => {
  const elsewhere = createServer((_, response) => void response.writeHead(301, { location: 'https://other.example/' }).end())
  const { job, id } = await published('moved', `http://127.0.0.1:${await serving(elsewhere)}`)
  const moved = await looking.lookAsVisitor(job, id, silent)
  expect(moved.faults).toHaveLength(moved.files)
  expect(moved.faults.find(({ path: file }) => file === 'index.html')?.said).toBe('It leads on to https://other.example/.')
  const nobody = await published('nobody', 'http://127.0.0.1:1')
  const { files, faults } = await looking.lookAsVisitor(nobody.job, nobody.id, silent)
  expect(faults).toHaveLength(files)
  expect(faults[0]!.said).toContain('It does not answer')
  await expect(looking.lookAsVisitor(job, 'web-host', silent)).rejects.toMatchObject({ code: 'releaseGone' })
})
