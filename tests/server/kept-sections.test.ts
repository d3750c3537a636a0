import sharp from 'sharp'
import { beforeAll, expect, test } from 'vitest'
import { toKept } from '../../src/core/plan'
import { applyEdit, findSection, type PageId, type SectionId } from '../../src/core/site'
import { testSite } from '../pack'
import { ownDataFolder } from './log-fixture'
import { BY, OWNER } from './someone'

let kept: typeof import('../../src/server/use-cases/kept-sections')
let shelves: typeof import('../../src/server/use-cases/job-status')
let make: typeof import('../../src/server/use-cases/make-job')
let log: typeof import('../../src/server/log/edit-log')
let media: typeof import('../../src/server/media/store-upload')
let assets: typeof import('../../src/server/store/assets')
let database: typeof import('../../src/server/store/db')
let paths: typeof import('../../src/server/releases/published-paths')
let publications: typeof import('../../src/server/store/publications')
let releases: typeof import('../../src/server/store/releases')
beforeAll(async () => {
  ownDataFolder()
  ;[kept, shelves, make, log, media, assets, database, paths, publications, releases] = await Promise.all([
    import('../../src/server/use-cases/kept-sections'),
    import('../../src/server/use-cases/job-status'),
    import('../../src/server/use-cases/make-job'),
    import('../../src/server/log/edit-log'),
    import('../../src/server/media/store-upload'),
    import('../../src/server/store/assets'),
    import('../../src/server/store/db'),
    import('../../src/server/releases/published-paths'),
    import('../../src/server/store/publications'),
    import('../../src/server/store/releases'),
  ])
})

const HERO = 'home.hero' as SectionId
const start = (name: string): string => make.createJob(testSite({ name }).document)
const document = (job: string) => log.jobState(job).document

test('a kept section keeps its picture when its job is deleted, and lets another job show it', async () => {
  const job = start('First client')
  const png = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#3a5' } })
    .png()
    .toBuffer()
  const picture = await media.storeUpload(job, 'bench.png', png)
  const filled = applyEdit(document(job), {
    type: 'slot/set',
    section: HERO,
    entry: null,
    slot: 'picture',
    value: { type: 'image', asset: picture.id, alt: 'The bench' },
  })
  if (!filled.ok) throw new Error(filled.problem.code)
  const id = kept.keepSection({ name: 'Front', section: toKept(filled.document, findSection(filled.document, HERO)!) })
  expect((await kept.keptSections(OWNER)).find((one) => one.id === id)).toMatchObject({ name: 'Front', assets: [{ id: picture.id }] })

  shelves.setJobStatus(job, { shelf: 'bin' }, OWNER)
  shelves.deleteForGood(job, BY)
  expect(assets.readAsset(picture.id)?.bytes.length).toBe(picture.bytes)

  const other = start('Second client')
  expect(assets.jobAssets(other)[picture.id]).toBeUndefined()
  kept.linkKept(id, { job: other })
  expect(assets.jobAssets(other)[picture.id]).toMatchObject({ id: picture.id })
})

test('a kept section is renamed and let go; one that is gone is said to be', async () => {
  const section = toKept(document(start('Namer')), findSection(document(start('Namer')), HERO)!)
  const id = kept.keepSection({ name: 'Once', section })
  kept.renameKept(id, { name: 'Twice' })
  expect((await kept.keptSections(OWNER)).find((one) => one.id === id)?.name).toBe('Twice')
  kept.removeKept(id)
  expect((await kept.keptSections(OWNER)).some((one) => one.id === id)).toBe(false)
  expect(() => kept.renameKept(id, { name: 'Thrice' })).toThrow('There is no such kept section')
  expect(() => kept.linkKept(id, { job: start('Nobody') })).toThrow('There is no such kept section')
})

test('one that cannot be read is passed over, and the others are there', async () => {
  const section = toKept(document(start('Reader')), findSection(document(start('Reader')), HERO)!)
  const id = kept.keepSection({ name: 'Whole', section })
  database
    .sql('INSERT INTO kept_section (id, name, section, kept_at) VALUES (?, ?, ?, ?)')
    .run('torn', 'Torn', '{"kind":"nothing"}', '2026')
  expect((await kept.keptSections(OWNER)).map((one) => one.id)).toContain(id)
  expect((await kept.keptSections(OWNER)).map((one) => one.id)).not.toContain('torn')
})

test('every address at which visitors found a page is known, from every release that was live, and read from the log once', () => {
  const job = start('Mover')
  const publish = (n: number): void => {
    const release = `mover-${n}`
    releases.insertRelease(job, {
      id: release,
      revision: log.jobState(job).revision,
      alone: [],
      address: job,
      manifest: { 'index.html': { hash: 'a'.repeat(64), bytes: 1 } },
    })
    const publication = { id: `pub-${n}`, job, destination: 'web-host', release, address: job, movedFrom: null, person: null, note: '' }
    publications.insertPublication(publication)
    publications.noteSwitched({ ...publication, switchedAt: null, doneAt: null })
  }
  expect(paths.publishedPaths(job)).toEqual([])
  publish(1)
  const about = { type: 'page', page: 'about' as PageId } as const
  log.appendRows(job, null, 0, [
    { id: 'move-services', gesture: 'g', undoes: null, edit: { type: 'page/move', page: 'services' as PageId, in: about, rank: 'a1' } },
  ])
  publish(2)
  const found = paths.publishedPaths(job)
  expect(found.filter(({ page }) => page === 'services').map(({ path }) => path)).toEqual(['/about/services/', '/services/'])
  const noted = (): unknown => database.sql('SELECT count(*) AS n FROM published_path WHERE job = ?').get(job)
  const before = noted()
  expect(paths.publishedPaths(job)).toEqual(found)
  expect(noted()).toEqual(before)
  shelves.setJobStatus(job, { shelf: 'bin' }, OWNER)
  expect(() => shelves.deleteForGood(job, BY)).toThrow()
})
