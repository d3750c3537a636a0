import { existsSync } from 'node:fs'
import sharp from 'sharp'
import { beforeAll, expect, test } from 'vitest'
import type { AssetInfo } from '../../src/core/image'
import { testSite } from '../pack'
import { setText } from '../site'
import { mediaFile } from '../../src/server/files/media-file'
import { ownDataFolder } from './log-fixture'
import { BY, OWNER } from './someone'

let shelves: typeof import('../../src/server/use-cases/job-status')
let make: typeof import('../../src/server/use-cases/make-job')
let list: typeof import('../../src/server/use-cases/list-jobs')
let log: typeof import('../../src/server/log/edit-log')
let media: typeof import('../../src/server/media/store-upload')
let assets: typeof import('../../src/server/store/assets')
let database: typeof import('../../src/server/store/db')
let publications: typeof import('../../src/server/store/publications')
let releases: typeof import('../../src/server/store/releases')
beforeAll(async () => {
  ownDataFolder()
  ;[shelves, make, list, log, media, assets, database, publications, releases] = await Promise.all([
    import('../../src/server/use-cases/job-status'),
    import('../../src/server/use-cases/make-job'),
    import('../../src/server/use-cases/list-jobs'),
    import('../../src/server/log/edit-log'),
    import('../../src/server/media/store-upload'),
    import('../../src/server/store/assets'),
    import('../../src/server/store/db'),
    import('../../src/server/store/publications'),
    import('../../src/server/store/releases'),
  ])
})

const start = (name: string): string => make.createJob(testSite({ name, trade: 'Upholstery' }).document)
const say = (job: string, text: string): void =>
  void log.appendRows(job, null, log.jobState(job).revision, [
    { id: `shelf-row-${text}`, gesture: text, undoes: null, edit: setText('home.hero', 'heading', text) },
  ])
const inDays = (days: number): Date => new Date(Date.now() + days * 86_400_000)
const picture = async (job: string, red: number): Promise<AssetInfo> => {
  const png = await sharp({ create: { width: 40, height: 30, channels: 3, background: { r: red, g: 80, b: 60 } } })
    .png()
    .toBuffer()
  return media.storeUpload(job, `${red}.png`, png)
}
const rowsOf = (job: string): number =>
  ['log_row', 'snapshot', 'job_line', 'task', 'publication', 'release', 'job_asset', 'not_upgraded', 'edit_format_1', 'snapshot_format_1']
    .map((table) => (database.sql(`SELECT count(*) AS n FROM ${table} WHERE job = ?`).get(job) as { n: number }).n)
    .reduce((sum, n) => sum + n, 0)
const isHere = (job: string): boolean => list.listJobLines(OWNER).some(({ id }) => id === job)
function beginPublishing(job: string): Parameters<typeof publications.noteSwitched>[0] {
  const release = `release-${job}`
  releases.insertRelease(job, {
    id: release,
    revision: 0,
    alone: [],
    address: job,
    manifest: { 'index.html': { hash: 'a'.repeat(64), bytes: 1 } },
  })
  const publication = { id: `pub-${job}`, job, destination: 'web-host', release, address: job, movedFrom: null, person: null, note: '' }
  publications.insertPublication(publication)
  return { ...publication, switchedAt: null, doneAt: null }
}

test('a job is laid in the archive or the bin and put back, and nothing of it changes', () => {
  const job = start('Laid by')
  say(job, 'Kept words')
  const before = log.jobState(job)
  for (const shelf of ['archive', 'bin', 'work'] as const) {
    shelves.setJobStatus(job, { shelf }, OWNER)
    expect(list.findJobLine(job)).toMatchObject({ shelf, name: 'Laid by' })
    expect(log.jobState(job)).toEqual(before)
  }
  expect(() => shelves.setJobStatus('no-such-job', { shelf: 'bin' }, OWNER)).toThrow('There is no such job')
})

test('laying a job where it lies already does not begin its days anew', () => {
  const job = start('Twice')
  shelves.setJobStatus(job, { shelf: 'bin' }, OWNER)
  const { shelvedAt } = list.findJobLine(job)
  database.sql('UPDATE job SET shelved_at = ? WHERE id = ?').run('2026-01-01T00:00:00.000Z', job)
  shelves.setJobStatus(job, { shelf: 'bin' }, OWNER)
  expect(shelvedAt).not.toBeNull()
  expect(list.findJobLine(job).shelvedAt).toBe('2026-01-01T00:00:00.000Z')
  shelves.setJobStatus(job, { shelf: 'work' }, OWNER)
})

test('a copy begins as the job stands, with its pictures, and each goes its own way from there', async () => {
  const job = start('Original')
  say(job, 'First words')
  const shown = await picture(job, 10)
  const copy = shelves.copyJob(job, OWNER)
  expect(log.jobState(copy)).toEqual({ revision: 0, document: log.jobState(job).document })
  expect(assets.jobAssets(copy)[shown.id]).toEqual(shown)
  say(copy, 'Words of the copy')
  say(job, 'Words of the original')
  expect(JSON.stringify(log.jobState(job).document)).not.toContain('Words of the copy')
  expect(JSON.stringify(log.jobState(copy).document)).not.toContain('Words of the original')
  const line = list.findJobLine(copy)
  expect(line).toMatchObject({ name: 'Original', liveUrl: null, shelf: 'work', stage: 'Content' })
  expect(line.copiedAt).not.toBeNull()
  expect(list.findJobLine(job).copiedAt).toBeNull()
})

test('only a job in the bin is deleted for good, with every row and picture that is its alone', async () => {
  const [job, neighbour] = [start('Going'), start('Staying')]
  say(job, 'Words that go')
  say(neighbour, 'Words that stay')
  const [own, shared] = [await picture(job, 20), await picture(job, 30)]
  assets.linkAsset(neighbour, shared.id)
  const fileOf = async (id: string): Promise<string | null> => {
    const asset = assets.findAsset(id)
    return asset && mediaFile(`${asset.hash}.png`)
  }
  const [ownFile, sharedFile] = [await fileOf(own.id), await fileOf(shared.id)]
  expect(() => shelves.deleteForGood(job, BY)).toThrow('Only a job in the bin')
  expect(rowsOf(job)).toBeGreaterThan(3)

  expect(isHere(neighbour)).toBe(true)
  const before = rowsOf(neighbour)
  shelves.setJobStatus(job, { shelf: 'bin' }, OWNER)
  shelves.deleteForGood(job, BY)
  expect([rowsOf(job), isHere(job), await fileOf(own.id), existsSync(ownFile!)]).toEqual([0, false, null, false])
  expect([rowsOf(neighbour), isHere(neighbour), await fileOf(shared.id)]).toEqual([before, true, sharedFile])
  expect(existsSync(sharedFile!)).toBe(true)
  expect(() => log.jobState(job)).toThrow()
})

test('the log of a job that is not in the bin cannot be deleted', () => {
  const job = start('Append only')
  say(job, 'A row')
  expect(() => database.sql('DELETE FROM log_row WHERE job = ?').run(job)).toThrow('append-only')
})

test('a job whose site is on its way to its host is not deleted under it', () => {
  const job = start('On its way')
  shelves.setJobStatus(job, { shelf: 'bin' }, OWNER)
  const { id } = beginPublishing(job)
  expect(() => shelves.deleteForGood(job, BY)).toThrow('being published right now')
  shelves.emptyBin(inDays(31))
  expect(isHere(job)).toBe(true)
  publications.giveUp(id, 'Tried out')
  shelves.emptyBin(inDays(31))
  expect(isHere(job)).toBe(false)
})

test('after its days in the bin a job goes; a day before, archived, or live, it stays', () => {
  const [due, early, archived, live] = [start('Due'), start('Early'), start('Archived'), start('Live')]
  publications.noteSwitched(beginPublishing(live))
  publications.noteDone(`pub-${live}`)
  for (const job of [due, early, live]) shelves.setJobStatus(job, { shelf: 'bin' }, OWNER)
  shelves.setJobStatus(archived, { shelf: 'archive' }, OWNER)
  database.sql('UPDATE job SET shelved_at = ? WHERE id = ?').run(inDays(2).toISOString(), early)
  shelves.emptyBin(inDays(29))
  expect([due, early, archived, live].map(isHere)).toEqual([true, true, true, true])
  shelves.emptyBin(inDays(31))
  expect([due, early, archived, live].map(isHere)).toEqual([false, true, true, true])
  expect(() => shelves.deleteForGood(live, BY)).toThrow(/still live at .+While visitors can see it/)
})
