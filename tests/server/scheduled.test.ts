import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { beforeAll, beforeEach, expect, test } from 'vitest'
import { testSite } from '../pack'
import { setText } from '../site'
import { ownDataFolder } from './log-fixture'
import { BY } from './someone'

let make: typeof import('../../src/server/use-cases/make-job')
let log: typeof import('../../src/server/log/edit-log')
let destinations: typeof import('../../src/server/use-cases/destinations')
let publishing: typeof import('../../src/server/use-cases/publish')
let shelves: typeof import('../../src/server/use-cases/job-status')
let planning: typeof import('../../src/server/use-cases/schedule-publication')
let publications: typeof import('../../src/server/store/publications')
let view: typeof import('../../src/server/use-cases/publish-view')
let thin: typeof import('../../src/server/releases/collect-garbage')

const folders = mkdtempSync(path.join(tmpdir(), 'instant-fit-folders-'))
const HOUR_MS = 3_600_000
const silent = (): void => undefined
beforeAll(async () => {
  ownDataFolder()
  process.env.INSTANT_FIT_FOLDERS = folders
  ;[make, log, destinations, publishing, planning, shelves, publications, view, thin] = await Promise.all([
    import('../../src/server/use-cases/make-job'),
    import('../../src/server/log/edit-log'),
    import('../../src/server/use-cases/destinations'),
    import('../../src/server/use-cases/publish'),
    import('../../src/server/use-cases/schedule-publication'),
    import('../../src/server/use-cases/job-status'),
    import('../../src/server/store/publications'),
    import('../../src/server/use-cases/publish-view'),
    import('../../src/server/releases/collect-garbage'),
  ])
})

let job = ''
let destination = ''
let folder = ''
let count = 0
beforeEach(() => {
  const { document } = testSite({ name: 'Scheduled' })
  const page = document.pages.legal!
  const sections = Object.fromEntries(Object.entries(document.sections).filter(([, s]) => s.in.type !== 'page' || s.in.page === 'legal'))
  job = make.createJob({ ...document, pages: { legal: { ...page, segment: '' } }, sections })
  const name = `scheduled-${++count}`
  const connection = { kind: 'folder', settings: { folder: name }, secret: null } as const
  destination = destinations.addDestination(job, { name, origin: `https://${name}.example`, connection }, BY).id
  folder = path.join(folders, name)
})
const revision = (): number => log.jobState(job).revision
const setHeading = (text: string) =>
  log.appendRows(job, BY.person.id, revision(), [
    { id: `${job}-${text}`, gesture: text, undoes: null, edit: setText('legal.title', 'heading', text) },
  ])
const publish = () => publishing.publish(job, { revision: revision(), destination }, silent, BY)
const takeOff = () => publishing.publish(job, { withdraw: true, destination }, silent, BY)
const schedule = (ahead: number) =>
  planning.schedulePublication(
    job,
    { revision: revision(), destination, note: 'For the opening', at: new Date(Date.now() + ahead).toISOString(), zone: 'Europe/Berlin' },
    silent,
    BY,
  )

test('a site that is taken off leaves what is not ours, is live no more, and comes back as it was', async () => {
  await publish()
  const before = readdirSync(folder).sort()
  writeFileSync(path.join(folder, 'theirs.txt'), 'of somebody else')
  await takeOff()
  expect(readdirSync(folder).filter((name) => !name.startsWith('.'))).toEqual(['theirs.txt'])
  expect(publications.livePublication(job, destination)).toBeNull()
  expect(publications.livePublication(job)).toBeNull()
  expect(publications.liveOfAll().has(job)).toBe(false)
  const { releases } = view.publishView(job, destination)
  expect(releases.map(({ number, files, live }) => [number, files > 0, live])).toEqual([
    [null, false, false],
    [1, true, false],
  ])
  await publishing.publish(job, { release: releases[1]!.id, destination }, silent, BY)
  expect(readdirSync(folder).sort()).toEqual([...before, 'theirs.txt'].sort())
  expect(publications.livePublication(job, destination)).not.toBeNull()
})

test('where it is live elsewhere still, that is what is live; and nothing can be taken off twice', async () => {
  const connection = { kind: 'folder', settings: { folder: `beside-${count}` }, secret: null } as const
  const beside = destinations.addDestination(job, { name: 'Beside', origin: 'https://beside.example', connection }, BY).id
  await publishing.publish(job, { revision: revision(), destination: beside }, silent, BY)
  await publish()
  await takeOff()
  expect(publications.livePublication(job)?.destination).toBe(beside)
  expect(publications.liveOfAll().get(job)?.destination).toBe(beside)
  await expect(takeOff()).rejects.toMatchObject({ code: 'releaseGone' })
})

test('what is scheduled goes out at its time as it was, and nothing before', async () => {
  await schedule(HOUR_MS)
  expect(planning.scheduledLines(job, destination)).toMatchObject([{ zone: 'Europe/Berlin', note: 'For the opening', fault: null }])
  await planning.publishDue(new Date(Date.now() + HOUR_MS / 2))
  expect(existsSync(path.join(folder, 'index.html'))).toBe(false)
  // What was built for it is kept, however long it waits.
  thin.collectGarbage(new Date(Date.now() + 30 * 24 * HOUR_MS))
  await planning.publishDue(new Date(Date.now() + 2 * HOUR_MS))
  expect(existsSync(path.join(folder, 'index.html'))).toBe(true)
  expect(planning.scheduledLines(job, destination)).toEqual([])
  expect(view.publishView(job, destination).releases[0]).toMatchObject({ note: 'For the opening', live: true })
})

test('what cannot go out says why, is tried again ever less often, in the end not any more, and can be cancelled', async () => {
  await schedule(HOUR_MS)
  writeFileSync(folder, 'a file where the folder is to be')
  let at = Date.now() + 2 * HOUR_MS
  const waits: number[] = []
  for (;;) {
    await planning.publishDue(new Date(at))
    const [line] = planning.scheduledLines(job, destination)
    expect(line?.fault).toMatch(/scheduled-\d+/)
    expect(line?.tries).toBe(waits.length + 1)
    if (line?.nextAt == null) break
    // Before its time it is let be.
    await planning.publishDue(new Date(Date.parse(line.nextAt) - 1))
    expect(planning.scheduledLines(job, destination)[0]?.tries).toBe(waits.length + 1)
    waits.push(Date.parse(line.nextAt) - at)
    at = Date.parse(line.nextAt)
  }
  expect(waits.length).toBeGreaterThan(4)
  expect(waits).toEqual(waits.toSorted((a, b) => a - b))
  expect(planning.scheduledLines(job, destination)).toMatchObject([{ void: 'failed' }])
  rmSync(folder)
  await planning.publishDue(new Date(at + 1000 * HOUR_MS))
  expect(existsSync(folder)).toBe(false)
  const [line] = planning.scheduledLines(job, destination)
  planning.unschedule('another job', line!.id)
  expect(planning.scheduledLines(job, destination)).toHaveLength(1)
  planning.unschedule(job, line!.id)
  expect(planning.scheduledLines(job, destination)).toEqual([])
})

test('what was scheduled does not go out over anything that was published there since, however it came; and says so', async () => {
  await schedule(HOUR_MS)
  setHeading('Newer than what was scheduled')
  await publish()
  await planning.publishDue(new Date(Date.now() + 2 * HOUR_MS))
  expect(readFileSync(path.join(folder, 'index.html'), 'utf8')).toContain('Newer than what was scheduled')
  expect(planning.scheduledLines(job, destination)).toMatchObject([{ void: 'overtaken', fault: null }])
  // A site that was taken off meanwhile is not put back either.
  await schedule(HOUR_MS)
  await takeOff()
  await planning.publishDue(new Date(Date.now() + 2 * HOUR_MS))
  expect(existsSync(path.join(folder, 'index.html'))).toBe(false)
  expect(planning.scheduledLines(job, destination).map((line) => line.void)).toEqual(['overtaken', 'overtaken'])
})

test('what failed once does not go out later over what was published by hand meanwhile', async () => {
  await schedule(HOUR_MS)
  writeFileSync(folder, 'a file where the folder is to be')
  const due = Date.now() + 2 * HOUR_MS
  await planning.publishDue(new Date(due))
  rmSync(folder)
  setHeading('By hand')
  await publish()
  await planning.publishDue(new Date(due + 24 * HOUR_MS))
  expect(readFileSync(path.join(folder, 'index.html'), 'utf8')).toContain('By hand')
  expect(planning.scheduledLines(job, destination)).toMatchObject([{ void: 'overtaken' }])
})

test('one whose release went out and whose line was left behind by a crash is done, and is not told of as overtaken', async () => {
  await schedule(HOUR_MS)
  await publish()
  await planning.publishDue(new Date(Date.now() + 2 * HOUR_MS))
  expect(planning.scheduledLines(job, destination)).toEqual([])
})

test('nothing goes out of the bin, nor after its destination was let go', async () => {
  await schedule(HOUR_MS)
  shelves.setJobStatus(job, { shelf: 'bin' }, BY.person)
  await planning.publishDue(new Date(Date.now() + 2 * HOUR_MS))
  expect(existsSync(folder)).toBe(false)
  shelves.setJobStatus(job, { shelf: 'work' }, BY.person)
  await planning.publishDue(new Date(Date.now() + 2 * HOUR_MS))
  expect(existsSync(folder)).toBe(false)
  expect(planning.scheduledLines(job, destination)).toMatchObject([{ void: 'binned' }])
  await schedule(HOUR_MS)
  destinations.letGoOfDestination(job, destination, BY)
  expect(planning.scheduledLines(job, destination)).toEqual([])
  await planning.publishDue(new Date(Date.now() + 2 * HOUR_MS))
  expect(existsSync(folder)).toBe(false)
})

test('a time that is over, or is too far away, is refused', async () => {
  await expect(schedule(-1000)).rejects.toMatchObject({ code: 'timeWrong' })
  await expect(schedule(400 * 24 * HOUR_MS)).rejects.toMatchObject({ code: 'timeWrong' })
})

test('what lies in a zip is live nowhere until somebody puts it up: no address is shown for it', async () => {
  const connection = { kind: 'zip', settings: { folder: `by-hand-${count}` }, secret: null } as const
  const zip = destinations.addDestination(job, { name: 'By hand', origin: 'https://by-hand.example', connection }, BY).id
  await publishing.publish(job, { revision: revision(), destination: zip }, silent, BY)
  expect(existsSync(path.join(folders, `by-hand-${count}.zip`))).toBe(true)
  expect(publications.livePublication(job, zip)).not.toBeNull()
  expect(publications.livePublication(job)).toBeNull()
  expect(publications.liveOfAll().has(job)).toBe(false)
  await publish()
  await publishing.publish(job, { revision: revision(), destination: zip }, silent, BY)
  expect(publications.livePublication(job)?.destination).toBe(destination)
})
