import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import { nanoid } from 'nanoid'
import sharp from 'sharp'
import { beforeAll, expect, test } from 'vitest'
import type { Project } from '../../src/core/handover'
import type { Manifest } from '../../src/core/release'
import { homePage, sectionsOn, type Edit, type SiteDocument } from '../../src/core/site'
import { testSite } from '../pack'
import { setSlot, setText } from '../site'
import { smallPack } from '../small-pack'
import { forgetMemory, ownDataFolder } from './log-fixture'
import { someoneHere, type Headers } from './signed-in'
import { BY } from './someone'

// Two installations: what one hands over, the other reads in as the same job.
const folders = mkdtempSync(path.join(tmpdir(), 'instant-fit-folders-'))
const PASSWORD = 'nine swallows over a barn'
const ORIGIN = 'https://tolliver-and-wren.example'
const LOGO = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 10"><path fill="#123456" d="M0 0h40v10H0z"/></svg>'
const silent = (): void => undefined

const load = () =>
  Promise.all([
    import('../../src/server/use-cases/make-job'),
    import('../../src/server/log/edit-log'),
    import('../../src/server/use-cases/destinations'),
    import('../../src/server/use-cases/publish'),
    import('../../src/server/store/publications'),
    import('../../src/server/store/releases'),
    import('../../src/server/store/log-rows'),
    import('../../src/server/store/named-versions'),
    import('../../src/server/store/jobs'),
    import('../../src/server/packs/packs'),
    import('../../src/server/media/store-upload'),
    import('../../src/server/media/store-logo'),
    import('../../src/server/packs/pack-zip'),
    import('../../src/server/files/blobs'),
    import('../../src/app/api/jobs/[job]/handover/route'),
    import('../../src/app/api/projects/route'),
  ])
let headers: Headers
let firstHeaders: Headers
let make: Awaited<ReturnType<typeof load>>[0]
let log: Awaited<ReturnType<typeof load>>[1]
let destinations: Awaited<ReturnType<typeof load>>[2]
let publishing: Awaited<ReturnType<typeof load>>[3]
let publications: Awaited<ReturnType<typeof load>>[4]
let releases: Awaited<ReturnType<typeof load>>[5]
let rows: Awaited<ReturnType<typeof load>>[6]
let points: Awaited<ReturnType<typeof load>>[7]
let jobs: Awaited<ReturnType<typeof load>>[8]
let packs: Awaited<ReturnType<typeof load>>[9]
let uploads: Awaited<ReturnType<typeof load>>[10]
let logos: Awaited<ReturnType<typeof load>>[11]
let packZip: Awaited<ReturnType<typeof load>>[12]
let blobs: Awaited<ReturnType<typeof load>>[13]
let handover: Awaited<ReturnType<typeof load>>[14]
let projects: Awaited<ReturnType<typeof load>>[15]

let job = ''
let first = ''
let handed: Uint8Array = new Uint8Array()
let manifest: Manifest = {}

/** Another installation, with nothing in it; the same process, that keeps nothing in memory of the one before. */
async function elsewhere(): Promise<string> {
  const folder = ownDataFolder()
  forgetMemory()
  headers = (await someoneHere()).headers
  return folder
}

/** The first installation again. */
function back(): void {
  process.env.INSTANT_FIT_DATA = first
  headers = firstHeaders
  forgetMemory()
}

function edit(...edits: Edit[]): void {
  for (const one of edits) {
    const id = nanoid()
    const { refused } = log.appendRows(job, 'person:somebody', log.jobState(job).revision, [{ id, gesture: id, undoes: null, edit: one }])
    expect(refused).toEqual([])
  }
}

const addFolder = (of: string, name: string): string =>
  destinations.addDestination(of, { name, origin: ORIGIN, connection: { kind: 'folder', settings: { folder: name }, secret: null } }, BY).id

async function publishedManifest(of: string, destination: string): Promise<Manifest> {
  await publishing.publish(of, { revision: log.jobState(of).revision, destination }, silent, BY)
  return releases.getRelease(of, publications.livePublication(of, destination)!.release).manifest
}

beforeAll(async () => {
  process.env.INSTANT_FIT_FOLDERS = folders
  first = ownDataFolder()
  firstHeaders = headers = (await someoneHere()).headers
  ;[
    make,
    log,
    destinations,
    publishing,
    publications,
    releases,
    rows,
    points,
    jobs,
    packs,
    uploads,
    logos,
    packZip,
    blobs,
    handover,
    projects,
  ] = await load()
  await packZip.bringInPack(
    'by-hand.zip',
    zipSync(Object.fromEntries(Object.entries(smallPack('byhand')).map(([n, c]) => [n, strToU8(c)]))),
  )
  const { document } = testSite({ name: 'Tolliver & Wren', phone: '01632 960417', email: 'bench@tolliver.example' })
  // A whole template takes a while to publish: the home page, and one that a link leads to.
  const kept = Object.values(document.pages).filter(({ id }) => id === homePage(document).id || id === 'legal')
  const sections = Object.fromEntries(
    Object.entries(document.sections).filter(([, { in: where }]) => where.type !== 'page' || kept.some(({ id }) => id === where.page)),
  )
  job = make.createJob({ ...document, pages: Object.fromEntries(kept.map((page) => [page.id, page])), sections })
  const photo = await sharp({ create: { width: 900, height: 600, channels: 3, background: '#7a5a3a' } })
    .jpeg()
    .toBuffer()
  const picture = await uploads.storeUpload(job, 'Bench in oak.jpg', photo)
  const { asset: logo } = await logos.storeLogo(job, 'mark.svg', Buffer.from(LOGO))
  const pdf = blobs.keepBlob(`%PDF-1.7\n${'chairs '.repeat(90)}\n%%EOF`)
  const hero = sectionsOn(log.jobState(job).document, homePage(document).id).find(({ kind }) => kind === 'hero')!
  edit(
    setText(hero.id, 'heading', 'Chairs that are sat in'),
    setSlot(hero.id, 'picture', { type: 'image', asset: picture.id, alt: 'A bench' }),
    setSlot(hero.id, 'action', { type: 'link', label: 'Price list', to: { type: 'file', name: 'Prices.pdf', ...pdf } }),
    { type: 'brand/set', part: 'logo', value: logo.id },
    { type: 'section/set', section: hero.id, part: 'design', value: 'byhand-sheet' },
  )
  points.insertNamedVersion(job, { revision: 2, name: 'Agreed words', at: '2026-11-28T08:00:00.000Z' })
  const secret = { password: PASSWORD }
  const settings = { host: 'files.example', port: 22, user: 'tolliver', folder: 'public_html', hostKey: `SHA256:${'A'.repeat(43)}` }
  destinations.addDestination(job, { name: 'The client’s server', origin: ORIGIN, connection: { kind: 'sftp', settings, secret } }, BY)
  manifest = await publishedManifest(job, addFolder(job, 'first'))
  handed = await handOver(true)
}, 240_000)

async function handOver(history: boolean): Promise<Uint8Array> {
  const url = `http://app/api/jobs/${job}/handover${history ? '?history=1' : ''}`
  const response = await handover.GET(new Request(url, { headers }), { params: Promise.resolve({ job }) })
  expect(response.headers.get('content-disposition')).toContain('tolliver-and-wren-handover.zip')
  return new Uint8Array(await response.arrayBuffer())
}

type Reply = {
  readonly status: number
  readonly job?: string
  readonly isCopy?: boolean
  readonly packs?: string[]
  readonly without?: string[]
  readonly problem?: { readonly code: string; readonly sentence: string }
}
async function readIn(zip: Uint8Array, name = 'tolliver-handover.zip'): Promise<Reply> {
  const url = `http://app/api/projects?name=${encodeURIComponent(name)}`
  const response = await projects.POST(new Request(url, { method: 'POST', headers, body: new Uint8Array(zip) }))
  return { status: response.status, ...((await response.json()) as object) }
}

const opened = (zip: Uint8Array): Record<string, Uint8Array> => unzipSync(zip)
/** The same zip with some of its files changed, left out where null. */
function changed(files: Readonly<Record<string, string | Uint8Array | null>>): Uint8Array {
  const all = {
    ...opened(handed),
    ...Object.fromEntries(Object.entries(files).map(([n, c]) => [n, typeof c === 'string' ? strToU8(c) : c])),
  }
  return zipSync(Object.fromEntries(Object.entries(all).flatMap(([n, c]) => (c === null ? [] : [[n, c]]))), { level: 0 })
}
const project = (zip = handed): Project => JSON.parse(strFromU8(opened(zip)['project/project.json']!)) as Project
const withProject = (change: (of: Record<string, unknown>) => void): Uint8Array => {
  const said = project() as unknown as Record<string, unknown>
  change(said)
  return changed({ 'project/project.json': JSON.stringify(said) })
}

test('a handover has the site as it is live, a sheet for the client and the job, and nothing that lets anybody in', () => {
  const files = opened(handed)
  const names = Object.keys(files)
  for (const name of Object.keys(manifest)) expect(names).toContain(`site/${name}`)
  for (const [name, { hash }] of Object.entries(manifest)) expect(blobs.hashOf(files[`site/${name}`]!), name).toBe(hash)
  expect(names).toEqual(
    expect.arrayContaining(['care-sheet.html', 'project/project.json', 'project/packs/byhand.zip', 'project/packs/tallow.zip']),
  )
  const sheet = strFromU8(files['care-sheet.html']!)
  for (const words of ['Tolliver &amp; Wren', ORIGIN, 'Mara Quill', 'mara@quill.example', '01632 960417']) expect(sheet).toContain(words)
  const all = Object.values(files).map((one) => Buffer.from(one))
  for (const secret of [PASSWORD, 'person:somebody']) expect(all.filter((one) => one.includes(secret))).toEqual([])
  expect(strFromU8(files['project/project.json']!)).toContain('person:elsewhere-1')
})

test('another installation reads it in as the same job: document, history, pictures, pack, and the very files in the end', async () => {
  const here = { document: log.jobState(job).document, revision: log.jobState(job).revision, rows: rows.rowsSince(job, 0) }
  await elsewhere()
  expect(packs.pack().templates.byhand).toBeUndefined()
  const read = await readIn(handed)
  expect(read).toEqual({ status: 200, job, name: 'Tolliver & Wren', isCopy: false, packs: ['byhand'], without: [] })
  const state = log.jobState(job)
  expect(state.document).toEqual(here.document)
  expect(state.revision).toBe(here.revision)
  const plain = (of: typeof here.rows) =>
    of.map(({ revision, id, gesture, undoes, edit: done, inverse }) => ({ revision, id, gesture, undoes, done, inverse }))
  expect(here.rows.length).toBe(5)
  expect(plain(rows.rowsSince(job, 0))).toEqual(plain(here.rows))
  expect(points.namedVersions(job).map(({ name }) => name)).toEqual(['Agreed words'])
  expect(packs.pack().templates.byhand).toBeDefined()
  expect(await publishedManifest(job, addFolder(job, 'second'))).toEqual(manifest)
  // What was done there can be taken back here.
  const last = here.rows.at(-1)!
  const taking = { id: nanoid(), gesture: nanoid(), undoes: last.gesture, edit: last.inverse }
  expect(log.appendRows(job, 'person:other', state.revision, [taking]).refused).toEqual([])
  // Read in once more, it stands beside the one that is here.
  const again = await readIn(handed)
  expect(again).toMatchObject({ status: 200, isCopy: true, packs: [], without: [] })
  expect(jobs.getJob(again.job!).copyOf).toBe(job)
  back()
}, 120_000)

test('without its history a job begins as it stands, at the same revision', async () => {
  const { document, revision } = log.jobState(job)
  const short = await handOver(false)
  expect(project(short).rows).toEqual([])
  await elsewhere()
  expect((await readIn(short)).status).toBe(200)
  expect(log.jobState(job).document).toEqual(document)
  expect(log.jobState(job).revision).toBe(revision)
  expect(rows.historyPage(job, revision, 60, 100_000)).toEqual({ rows: [], isFirst: true })
  back()
})

test('one that was unpacked and packed again, in a folder, is read in too', async () => {
  await elsewhere()
  const inFolder = zipSync(Object.fromEntries(Object.entries(opened(handed)).map(([name, c]) => [`From the client/${name}`, c])), {
    level: 0,
  })
  expect(await readIn(inFolder)).toMatchObject({ status: 200, job })
  back()
})

test('a template that does not fit what is here keeps no job out, and is told', async () => {
  await elsewhere()
  const others = Object.entries(smallPack('byhand')).map(([name, text]) => [
    name.replace(/^byhand\//, 'other/'),
    strToU8(text.replace('12px solid', '14px solid')),
  ])
  await packZip.bringInPack('other.zip', zipSync(Object.fromEntries(others) as Record<string, Uint8Array>))
  const read = await readIn(handed)
  expect(read).toMatchObject({ status: 200, job, packs: [] })
  expect(read.without).toEqual([expect.stringContaining('another design of this name')])
  expect(log.jobState(job).revision).toBe(5)
  back()
}, 60_000)

test('what is no whole handover is refused with what is wrong, and nothing of it is here afterwards', async () => {
  const folder = await elsewhere()
  const { pictures } = project()
  const photo = `project/pictures/${pictures.find(({ type }) => type === 'jpg')!.hash}.jpg`
  const drawing = pictures.find(({ type }) => type === 'svg')!
  const hostile = LOGO.replace('<path', '<script>steal()</script><path')
  const hostileHash = blobs.hashOf(strToU8(hostile))
  const cases: readonly (readonly [Uint8Array, string])[] = [
    [new Uint8Array(), 'is empty'],
    [strToU8('%PDF-1.7 not a zip'), 'it is not a whole zip file'],
    [handed.slice(0, handed.length - 40), 'it is not a whole zip file'],
    [changed({ 'project/project.json': null }), 'there is no job in it'],
    [changed({ 'project/project.json': '{"format": 1' }), 'is no whole JSON'],
    [changed({ [photo]: null }), 'is missing in it'],
    [changed({ [photo]: opened(handed)['site/index.html']! }), 'the picture “bench-in-oak” in it is damaged'],
    [withProject((of) => (of.format = 2)), 'made by a newer Instant Fit'],
    [withProject((of) => (of.job = '../../etc')), 'something else than a job at job'],
    [withProject((of) => (of.rows = (of.rows as unknown[]).slice(1))), 'a step of its history is missing'],
    [withProject((of) => (of.document = { ...(of.document as SiteDocument), language: 'de' })), 'its history leads to another site'],
    [withProject((of) => (of.document = { format: 2 })), 'the site in it cannot be read'],
    [
      changed({
        'project/project.json': JSON.stringify({
          ...project(),
          pictures: [{ ...drawing, id: hostileHash.slice(0, 20), hash: hostileHash }],
        }),
        [`project/pictures/${hostileHash}.svg`]: hostile,
      }),
      'it holds a script',
    ],
  ]
  for (const [zip, said] of cases) {
    const { status, problem } = await readIn(zip)
    expect(problem?.sentence).toContain(said)
    expect(status).toBe(422)
  }
  expect(jobs.listJobs()).toEqual([])
  expect(readdirSync(path.join(folder, 'incoming'))).toEqual([])
  expect(packs.pack().templates.byhand).toBeUndefined()
  back()
}, 120_000)

test('what was being read in when the application was cut off goes at the next start', async () => {
  const { clearIncoming } = await import('../../src/server/use-cases/import-job')
  mkdirSync(path.join(first, 'incoming', 'cut-off'), { recursive: true })
  clearIncoming()
  expect(readdirSync(first)).not.toContain('incoming')
  expect(log.jobState(job).revision).toBe(5)
})

test('a picture that is lost is told before anything is given away', async () => {
  const { pictures } = project()
  const file = path.join(first, 'media', `${pictures[0]!.hash}.${pictures[0]!.type}`)
  const was = readFileSync(file)
  rmSync(file)
  const response = await handover.GET(new Request(`http://app/api/jobs/${job}/handover`, { headers }), { params: Promise.resolve({ job }) })
  expect(response.status).toBe(500)
  expect(JSON.stringify(await response.json())).toContain(pictures[0]!.name)
  writeFileSync(file, was)
})
