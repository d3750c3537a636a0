import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import * as v from 'valibot'
import { beforeAll, beforeEach, expect, test } from 'vitest'
import type { PublishProgress } from '../../src/core/replies'
import { dataFolder } from '../../src/server/files/data-folder'
import { testSite } from '../pack'
import { setText } from '../site'
import { forgetMemory, ownDataFolder } from './log-fixture'
import { BY } from './someone'

let make: typeof import('../../src/server/use-cases/make-job')
let log: typeof import('../../src/server/log/edit-log')
let destinations: typeof import('../../src/server/use-cases/destinations')
let preparing: typeof import('../../src/server/use-cases/prepare-release')
let publishing: typeof import('../../src/server/use-cases/publish')
let publications: typeof import('../../src/server/store/publications')
let registry: typeof import('../../src/server/destinations/registry')
let view: typeof import('../../src/server/use-cases/publish-view')
let secrets: typeof import('../../src/server/files/secrets')
let open: typeof import('../../src/server/releases/finish-open')
let database: typeof import('../../src/server/store/db')

const folders = mkdtempSync(path.join(tmpdir(), 'instant-fit-folders-'))
const silent = (): void => undefined
beforeAll(async () => {
  ownDataFolder()
  process.env.INSTANT_FIT_FOLDERS = folders
  registry = await import('../../src/server/destinations/registry')
  ;[make, log, destinations, preparing, publishing, publications, view, secrets, open, database] = await Promise.all([
    import('../../src/server/use-cases/make-job'),
    import('../../src/server/log/edit-log'),
    import('../../src/server/use-cases/destinations'),
    import('../../src/server/use-cases/prepare-release'),
    import('../../src/server/use-cases/publish'),
    import('../../src/server/store/publications'),
    import('../../src/server/use-cases/publish-view'),
    import('../../src/server/files/secrets'),
    import('../../src/server/releases/finish-open'),
    import('../../src/server/store/db'),
  ])
})

let job = ''
let count = 0
/** One page is enough: pictures would take seconds. */
function newJob(): string {
  const { document } = testSite({ name: 'Destinations' })
  const page = document.pages.legal!
  const sections = Object.fromEntries(Object.entries(document.sections).filter(([, s]) => s.in.type !== 'page' || s.in.page === 'legal'))
  return make.createJob({ ...document, pages: { legal: { ...page, segment: '' } }, sections })
}
beforeEach(() => void (job = newJob()))

const addFolder = (name = `folder-${++count}`): { id: string; folder: string } => {
  const connection = { kind: 'folder', settings: { folder: name }, secret: null } as const
  return {
    ...destinations.addDestination(job, { name, origin: `https://${name}.example`, connection }, BY),
    folder: path.join(folders, name),
  }
}
const publish = async (destination: string) => publishing.publish(job, { revision: log.jobState(job).revision, destination }, silent, BY)

test('each destination has its own live state, plan and releases', async () => {
  const [one, two] = [addFolder(), addFolder()]
  const { plan: first } = await preparing.prepareRelease(job, { destination: one.id }, silent)
  expect(await publish(one.id)).toMatchObject({ sentFiles: first.added.length, sentBytes: first.bytesToSend })
  expect(publications.livePublication(job, two.id)).toBeNull()
  const lines = view.publishView(job, one.id).destinations.map(({ name, number }) => [name, number])
  expect(lines).toEqual([
    ['Our web host', null],
    [`folder-${count - 1}`, 1],
    [`folder-${count}`, null],
  ])
  log.appendRows(job, null, 0, [{ id: 'changed-row', gesture: 'changed', undoes: null, edit: setText('footer', 'closing', 'Changed') }])
  await publish(two.id)
  expect(view.publishView(job, one.id).releases.map(({ number, live }) => [number, live])).toEqual([[1, true]])
  expect(view.publishView(job, two.id).releases.map(({ number, live }) => [number, live])).toEqual([[2, true]])
  const { plan, origin } = await preparing.prepareRelease(job, { destination: one.id }, silent)
  expect(origin).toBe(`https://folder-${count - 1}.example`)
  expect([plan.added.length, plan.removed.length]).toEqual([0, 0])
  // Addresses in its pages are its own.
  expect(readFileSync(path.join(two.folder, 'index.html'), 'utf8')).toContain(`https://folder-${count}.example/`)
})

test('the plan is of what is really there, and names what is not ours', async () => {
  const { id, folder } = addFolder()
  await publish(id)
  rmSync(path.join(folder, 'favicon.svg'))
  writeFileSync(path.join(folder, 'robots.txt'), 'by hand')
  writeFileSync(path.join(folder, 'letter.txt'), 'not ours')
  const { plan, foreign } = await preparing.prepareRelease(job, { destination: id }, silent)
  expect(plan.added.map((file) => file.path)).toEqual(['favicon.svg'])
  expect(plan.changed.map((file) => file.path)).toEqual(['robots.txt'])
  expect(foreign).toEqual(['letter.txt'])
})

test('publishing is stopped while files are sent: nothing is switched, and the next time it goes through', async () => {
  const { id, folder } = addFolder()
  const steps: string[] = []
  const stopAt = (sent: number): ((progress: PublishProgress) => void) => {
    return ({ step, done, bytes }) => {
      steps.push(`${step} ${done}`)
      if (bytes) expect(bytes[0]).toBeLessThanOrEqual(bytes[1])
      if (step === 'sending' && done === sent) publishing.stopPublishing(job)
    }
  }
  const { revision } = log.jobState(job)
  await expect(publishing.publish(job, { revision, destination: id }, stopAt(2), BY)).rejects.toMatchObject({ code: 'publishingStopped' })
  expect(steps).not.toContain('switching 0')
  expect(existsSync(path.join(folder, 'index.html'))).toBe(false)
  expect([publications.livePublication(job, id), publications.openPublications(job, id)]).toEqual([null, []])
  await publishing.publish(job, { revision, destination: id }, stopAt(-1), BY)
  expect(existsSync(path.join(folder, 'index.html'))).toBe(true)
  expect(steps.filter((step) => step.startsWith('switching')).length).toBeGreaterThan(2)
  // Too late, or where nothing goes on, it changes nothing.
  publishing.stopPublishing(job)
  await publishing.publish(job, { revision, destination: id }, ({ step }) => step === 'switching' && publishing.stopPublishing(job), BY)
  expect(publications.openPublications(job, id)).toEqual([])
})

test('what lets us in is nowhere in the database, and opens with its own key for its own row alone', () => {
  const key = `SHA256:${'A'.repeat(43)}`
  const settings = { host: 'files.example', port: 22, user: 'client', folder: 'www', hostKey: key }
  const connection = { kind: 'sftp', settings, secret: { password: 'nine swallows' } } as const
  destinations.addDestination(job, { name: 'Server', origin: 'https://server.example', connection }, BY)
  database.db().pragma('wal_checkpoint(TRUNCATE)')
  for (const file of readdirSync(dataFolder()).filter((name) => name.includes('sqlite')))
    expect(readFileSync(dataFolder(file)).includes('nine swallows'), file).toBe(false)
  expect(JSON.stringify(view.publishView(job))).not.toContain('nine swallows')
  const sealed = secrets.seal('words', 'one')
  expect(secrets.unseal(sealed, 'one')).toBe('words')
  expect(() => secrets.unseal(sealed, 'another')).toThrow()
  expect(() => secrets.unseal(sealed.with(sealed.length - 1, sealed.at(-1)! ^ 1) as Buffer, 'one')).toThrow()
})

test('a destination is changed: what is kept goes only to the server that it was given for; its releases stay', async () => {
  const settings = { host: 'files.example', port: 22, user: 'client', folder: 'www', hostKey: `SHA256:${'A'.repeat(43)}` }
  const told = { name: 'Server', origin: 'https://server.example' }
  const { id } = destinations.addDestination(job, { ...told, connection: { kind: 'sftp', settings, secret: { password: 'swallows' } } }, BY)
  const changed = (more: Partial<typeof settings>, secret: { password: string } | null = null): void =>
    destinations.changeDestination(job, id, { ...told, connection: { kind: 'sftp', settings: { ...settings, ...more }, secret } }, BY)
  const kept = (): unknown => registry.connectionOf(destinations.keptDestination(job, id))
  changed({ folder: 'public_html' })
  expect(kept()).toMatchObject({ settings: { folder: 'public_html' }, secret: { password: 'swallows' } })
  const elsewhere = [{ host: 'other.example' }, { port: 2222 }, { user: 'other' }, { hostKey: `SHA256:${'B'.repeat(43)}` }]
  for (const more of elsewhere) expect(() => changed(more), JSON.stringify(more)).toThrow(expect.objectContaining({ code: 'secretWanted' }))
  expect(kept()).toMatchObject({ settings: { host: 'files.example', folder: 'public_html' } })
  changed({ host: 'other.example' }, { password: 'magpies' })
  expect(kept()).toMatchObject({ settings: { host: 'other.example' }, secret: { password: 'magpies' } })
  const other = { ...told, connection: { kind: 'folder', settings: { folder: 'x' }, secret: null } } as const
  expect(() => destinations.changeDestination(job, id, other, BY)).toThrow(expect.objectContaining({ code: 'destinationGone' }))
  expect(() => destinations.changeDestination(newJob(), id, other, BY)).toThrow(expect.objectContaining({ code: 'destinationGone' }))

  // Where a folder is changed, what was published stays in the list, and is sent to the new one.
  const { id: place } = addFolder('before')
  await publish(place)
  const to = {
    name: 'Moved',
    origin: 'https://moved.example',
    connection: { kind: 'folder', settings: { folder: 'after' }, secret: null },
  } as const
  destinations.changeDestination(job, place, to, BY)
  expect(view.publishView(job, place)).toMatchObject({ destination: { name: 'Moved', origin: 'https://moved.example', number: 1 } })
  await publish(place)
  expect(readFileSync(path.join(folders, 'after', 'index.html'), 'utf8')).toContain('https://moved.example/')
  expect(existsSync(path.join(folders, 'before', 'index.html'))).toBe(true)
})

test('a destination of another job is none, and one that was let go is asked for no more', async () => {
  const { id, folder } = addFolder()
  await publish(id)
  const mine = job
  job = newJob()
  await expect(publish(id)).rejects.toMatchObject({ code: 'destinationGone' })
  destinations.letGoOfDestination(mine, id, BY)
  expect(publications.livePublication(mine)).toBeNull()
  expect(existsSync(path.join(folder, 'index.html'))).toBe(true)
  expect(() => destinations.letGoOfDestination(mine, 'web-host', BY)).toThrow(expect.objectContaining({ code: 'destinationGone' }))
})

test('two jobs do not share a folder', async () => {
  const { id } = addFolder('shared')
  await publish(id)
  job = newJob()
  const other = addFolder('shared')
  await expect(publish(other.id)).rejects.toThrow(/another site is published into this folder/)
})

test('what was cut off on a destination is finished there, after a start of the application too', async () => {
  const { id, folder } = addFolder()
  await publish(id)
  const { release } = publications.livePublication(job, id)!
  publications.insertPublication({
    id: 'cut-off',
    job,
    destination: id,
    release,
    address: `https://folder-${count}.example`,
    movedFrom: null,
    person: null,
    note: '',
  })
  rmSync(path.join(folder, 'index.html'))
  forgetMemory()
  await open.finishOpen()
  expect(publications.openPublications(job)).toEqual([])
  expect(existsSync(path.join(folder, 'index.html'))).toBe(true)
})

test.each([['ftp://www.example.com'], ['www.example.com'], ['https://me@www.example.com'], ['javascript:alert(1)']])(
  '“%s” is no address of a whole site',
  (origin) => {
    expect(v.is(destinations.originSchema, origin)).toBe(false)
    expect(v.parse(destinations.originSchema, ' HTTPS://WWW.Example.com/ ')).toBe('https://www.example.com')
  },
)

test.each([['../out'], ['/etc'], ['a/../../b'], ['.hidden'], ['']])('“%s” is no folder that is set aside for sites', (folder) => {
  const asked = { name: 'x', origin: 'https://x.example', connection: { kind: 'folder', settings: { folder }, secret: null } }
  expect(v.is(destinations.newDestinationSchema, asked)).toBe(false)
})
