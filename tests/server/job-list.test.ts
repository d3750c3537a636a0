import { beforeAll, expect, test } from 'vitest'
import { countLeftovers } from '../../src/core/fill'
import type { SiteDocument } from '../../src/core/site'
import { testPack, testSite } from '../pack'
import { homeSections, setText } from '../site'
import { forgetMemory, ownDataFolder } from './log-fixture'
import { OWNER } from './someone'

let make: typeof import('../../src/server/use-cases/make-job')
let list: typeof import('../../src/server/use-cases/list-jobs')
let open: typeof import('../../src/server/use-cases/open-job')
let home: typeof import('../../src/server/use-cases/home-sheet')
let log: typeof import('../../src/server/log/edit-log')
let database: typeof import('../../src/server/store/db')
beforeAll(async () => {
  ownDataFolder()
  ;[make, list, open, home, log, database] = await Promise.all([
    import('../../src/server/use-cases/make-job'),
    import('../../src/server/use-cases/list-jobs'),
    import('../../src/server/use-cases/open-job'),
    import('../../src/server/use-cases/home-sheet'),
    import('../../src/server/log/edit-log'),
    import('../../src/server/store/db'),
  ])
})

const start = (name: string): SiteDocument => testSite({ name, trade: 'Upholstery' }).document
const words = (job: string, n: number, text: string): void =>
  void log.appendRows(job, null, log.jobState(job).revision, [
    { id: `list-row-${n}`, gesture: `g${n}`, undoes: null, edit: setText('home.hero', 'heading', text) },
  ])

test('a job is listed with its client, its trade and its leftovers, which fall with each place that is filled', () => {
  const job = make.createJob(start('Listed'))
  const all = countLeftovers(testPack(), start('Listed')).total
  expect(list.findJobLine(job)).toMatchObject({ name: 'Listed', trade: 'Upholstery', leftovers: all, stage: 'Brief', trouble: null })
  expect(list.findJobLine(job)).toMatchObject({ liveUrl: null, lastReleaseAt: null, releaseNumber: null, editsSince: null })
  words(job, 1, 'Ours')
  expect(list.findJobLine(job)).toMatchObject({ leftovers: all - 1, stage: 'Content' })
})

test('what is kept of a job’s line is not reckoned again until the job changes', () => {
  const job = make.createJob(start('Kept'))
  list.listJobLines(OWNER)
  const kept = database.sql('UPDATE job_line SET name = ? WHERE job = ?')
  expect(kept.run('Kept as reckoned', job).changes).toBe(1)
  expect(list.findJobLine(job).name).toBe('Kept as reckoned')
  words(job, 2, 'Changed')
  expect(list.findJobLine(job).name).toBe('Kept')
})

test('a job whose template is gone is listed with what is missing; it opens with that said, and no other job minds', async () => {
  const well = make.createJob(start('Well'))
  const whole = start('Unworn')
  const unworn = make.createJob({ ...whole, dress: { ...whole.dress, template: 'gone-template' } })
  const line = list.listJobLines(OWNER).find(({ id }) => id === unworn)
  expect(line).toMatchObject({ name: 'Unworn', leftovers: null })
  expect(line?.trouble).toBe('It wears “gone-template”, which is not here. Bring that pack in.')
  expect((await open.openJob(unworn)).missing).toEqual(['gone-template'])
  expect(list.listJobLines(OWNER).find(({ id }) => id === well)).toMatchObject({ name: 'Well', trouble: null })
})

test('a job that cannot be read is listed as such, and the others as ever', () => {
  const well = make.createJob(start('Beside'))
  const damaged = make.createJob(start('Damaged'))
  database.sql('DELETE FROM job_line WHERE job = ?').run(damaged)
  database.sql('UPDATE snapshot SET document = ? WHERE job = ?').run('{', damaged)
  forgetMemory('job-states')
  const lines = list.listJobLines(OWNER)
  expect(lines.find(({ id }) => id === damaged)).toMatchObject({ leftovers: null, trouble: 'What is kept of this job cannot be read.' })
  expect(lines.find(({ id }) => id === well)?.trouble).toBeNull()
})

test('a section whose design is gone leaves a gap on the small home page, and its neighbours are drawn', async () => {
  const whole = start('Gap')
  const [first, second] = homeSections(whole)
  const job = make.createJob({ ...whole, sections: { ...whole.sections, [first!.id]: { ...first!, design: 'gone' } } })
  const html = await home.homeSheet(job)
  expect(html).toContain(`there is no design ${first!.kind}/gone here`)
  expect(html).toContain(`data-section="${second!.id}"`)
  expect(html).toContain('name="robots" content="noindex"')
})

test('opening a job brings its newest rows whole gestures at a time, and says whether there are older ones', async () => {
  const job = make.createJob(start('Long'))
  for (let n = 0; n < 80; n++) words(job, 100 + n, `Heading ${n}`)
  const { revision, document, history } = await open.openJob(job)
  expect(revision).toBe(80)
  expect(document).toEqual(log.jobState(job).document)
  expect(history.rows.map((row) => row.revision)).toEqual(Array.from({ length: 60 }, (_, i) => i + 21))
  expect(history.isFirst).toBe(false)
})

test('the words of every page are read from what is filled, for asking which letters they need', async () => {
  const job = make.createJob(start('Letters'))
  words(job, 300, 'Žluťoučký kůň')
  const texts = await home.jobTexts(job)
  expect(texts).toHaveLength(8)
  expect(texts[0]).toContain('Žluťoučký kůň')
  expect(texts.join('')).not.toContain('<')
})
