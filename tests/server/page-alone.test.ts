import { mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { beforeAll, beforeEach, expect, test } from 'vitest'
import { factsOf, type Edit, type PageId } from '../../src/core/site'
import { testSite } from '../pack'
import { setText } from '../site'
import { forgetMemory, ownDataFolder } from './log-fixture'
import { BY } from './someone'

let make: typeof import('../../src/server/use-cases/make-job')
let log: typeof import('../../src/server/log/edit-log')
let destinations: typeof import('../../src/server/use-cases/destinations')
let preparing: typeof import('../../src/server/use-cases/prepare-release')
let planning: typeof import('../../src/server/use-cases/schedule-publication')
let publishing: typeof import('../../src/server/use-cases/publish')
let publications: typeof import('../../src/server/store/publications')
let releases: typeof import('../../src/server/store/releases')
let paths: typeof import('../../src/server/releases/published-paths')
let looking: typeof import('../../src/server/use-cases/version-view')

const folders = mkdtempSync(path.join(tmpdir(), 'instant-fit-folders-'))
const silent = (): void => undefined
beforeAll(async () => {
  ownDataFolder()
  process.env.INSTANT_FIT_FOLDERS = folders
  ;[make, log, destinations, preparing, planning, publishing, publications, releases, paths, looking] = await Promise.all([
    import('../../src/server/use-cases/make-job'),
    import('../../src/server/log/edit-log'),
    import('../../src/server/use-cases/destinations'),
    import('../../src/server/use-cases/prepare-release'),
    import('../../src/server/use-cases/schedule-publication'),
    import('../../src/server/use-cases/publish'),
    import('../../src/server/store/publications'),
    import('../../src/server/store/releases'),
    import('../../src/server/releases/published-paths'),
    import('../../src/server/use-cases/version-view'),
  ])
})

let job = ''
let destination = ''
let folder = ''
let count = 0
const ABOUT = 'about' as PageId
beforeEach(() => {
  const { document } = testSite({ name: 'Alone' })
  const { legal, about } = document.pages
  const isTitle = (id: string): boolean => id === 'about.title'
  const sections = Object.fromEntries(Object.entries(document.sections).filter(([id, s]) => s.in.type !== 'page' || isTitle(id)))
  job = make.createJob({ ...document, pages: { legal: { ...legal!, segment: '', rank: 'Zz' }, about: about! }, sections })
  const name = `alone-${++count}`
  const connection = { kind: 'folder', settings: { folder: name }, secret: null } as const
  destination = destinations.addDestination(job, { name, origin: `https://${name}.example`, connection }, BY).id
  folder = path.join(folders, name)
})
const revision = (): number => log.jobState(job).revision
const publish = (page?: string) => publishing.publish(job, { revision: revision(), page, destination }, silent, BY)
const plan = async (page?: string) => (await preparing.prepareRelease(job, { destination, page }, silent)).plan
const change = (...edits: Edit[]): void => {
  const rows = edits.map((edit, i) => ({ id: `row-${revision()}-${i}`.padEnd(10, 'x'), gesture: `g${revision()}`, undoes: null, edit }))
  expect(log.appendRows(job, null, revision(), rows).refused).toEqual([])
}
const page = (at: string): string => readFileSync(path.join(folder, at), 'utf8')
const live = () => releases.getRelease(job, publications.livePublication(job, destination)!.release)

test('one page goes out alone: its file is all that is sent, and the rest waits', async () => {
  await publish()
  const before = revision()
  change(setText('about.title', 'heading', 'We, by now'), { type: 'fact/set', fact: 'name', value: 'Renamed by now' })
  expect((await plan()).changed.map((file) => file.path)).toContain('index.html')
  expect(await plan(ABOUT)).toMatchObject({ added: [], changed: [{ path: 'about/index.html' }], removed: [] })
  expect((await publish(ABOUT)).sentFiles).toBeLessThanOrEqual(2)
  expect(page('about/index.html')).toContain('We, by now')
  expect(page('about/index.html')).not.toContain('Renamed by now')
  expect(live()).toMatchObject({ number: 2, revision: before, alone: [{ page: ABOUT, revision: revision() }] })
  const seen = looking.viewRelease(job, live().id)!.document
  expect(factsOf(seen).name).toBe('Alone')
  expect(seen.sections['about.title']!.slots.heading).toEqual({ type: 'text', text: 'We, by now' })
  // The same once more, and after a start, has nothing to send; what waits is what every page shows.
  forgetMemory()
  expect(await plan(ABOUT)).toMatchObject({ added: [], changed: [], removed: [] })
  await publish()
  expect(page('index.html')).toContain('Renamed by now')
  expect(live()).toMatchObject({ number: 3, revision: revision(), alone: [] })
})

test('an earlier release comes back as it was, with the page that had gone out alone', async () => {
  await publish()
  change(setText('about.title', 'heading', 'First'), { type: 'fact/set', fact: 'phone', value: '01632 960001' })
  await publish(ABOUT)
  const alone = live()
  change(setText('about.title', 'heading', 'Second'))
  await publish(ABOUT)
  expect(live()).toMatchObject({ revision: alone.revision, alone: [{ page: ABOUT, revision: revision() }] })
  expect(page('about/index.html')).toContain('Second')
  // For another address the files are made anew of the same state.
  const connection = { kind: 'folder', settings: { folder: `alone-${count}` }, secret: null } as const
  destinations.changeDestination(job, destination, { name: 'Moved', origin: 'https://moved.example', connection }, BY)
  await publishing.publish(job, { release: alone.id, destination }, silent, BY)
  expect(page('about/index.html')).toContain('First')
  expect(live()).toMatchObject({ revision: alone.revision, alone: alone.alone })
})

test('where nothing but the page differs it is the whole site; a page that is gone goes, and its address leads on', async () => {
  await publish()
  change(setText('about.title', 'heading', 'All of it'))
  await publish(ABOUT)
  expect(live()).toMatchObject({ revision: revision(), alone: [] })
  change({ type: 'page/remove', page: ABOUT }, { type: 'fact/set', fact: 'phone', value: '01632 960001' })
  await publish(ABOUT)
  expect(live().alone).toEqual([{ page: ABOUT, revision: revision() }])
  expect(page('about/index.html')).toContain('http-equiv="refresh"')
})

test('a page at a new address is known to stand there, though the site went out whole before and after', async () => {
  await publish()
  change(
    { type: 'page/set', page: ABOUT, part: 'segment', value: 'who-we-are' },
    { type: 'fact/set', fact: 'phone', value: '01632 960001' },
  )
  await publish(ABOUT)
  expect(paths.publishedPaths(job)).toContainEqual({ path: '/who-we-are/', page: ABOUT })
  await publish()
  expect(paths.publishedPaths(job).map((one) => one.path)).toEqual(['/', '/about/', '/who-we-are/'])
})

test('a page that is scheduled alone goes live at its time as it was then', async () => {
  await publish()
  change(setText('about.title', 'heading', 'For the opening'), { type: 'fact/set', fact: 'phone', value: '01632 960001' })
  const at = new Date(Date.now() + 3_600_000)
  const asked = { revision: revision(), page: ABOUT, destination, note: '', at: at.toISOString(), zone: 'Europe/Berlin' }
  await planning.schedulePublication(job, asked, silent, BY)
  expect(planning.scheduledLines(job, destination)).toMatchObject([{ alone: ABOUT, fault: null }])
  change(setText('about.title', 'heading', 'After it'))
  await planning.publishDue(at)
  expect(page('about/index.html')).toContain('For the opening')
  expect(planning.scheduledLines(job, destination)).toEqual([])
  expect(live().alone).toEqual([{ page: ABOUT, revision: asked.revision }])
})

test('what cannot go alone says why, and nothing is sent', async () => {
  await expect(publish(ABOUT)).rejects.toThrow(/nothing of the site is live there/)
  await publish()
  await expect(publish('no-such-page')).rejects.toThrow(/the page it was made on is gone/)
  await publishing.publish(job, { withdraw: true, destination }, silent, BY)
  await expect(publish(ABOUT)).rejects.toThrow(/nothing of the site is live there/)
})
