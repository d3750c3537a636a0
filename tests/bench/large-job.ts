import { performance } from 'node:perf_hooks'
import { gzipSync } from 'node:zlib'
import { differences, pagesOf, ranks, sectionsIn, type Section, type SectionId, type SiteDocument, toEdit } from '../../src/core/site'
import { siteOfPages } from '../large-site'
import { testSite } from '../pack'
import type { Rig } from '../rig'
import { setText } from '../site'
import { line, percentiles, time } from './report'
import { askApp } from '../door'

/** Pages of twelve sections each, a heading of the client's in every other one. */
function largeSite(count = 200): SiteDocument {
  const { document } = siteOfPages(count)
  const [header] = sectionsIn(document, { type: 'header' })
  const shared = Object.values(document.sections).filter((s) => s.in.type !== 'page')
  const kinds = Object.values(document.sections).filter((s) => s.in.type === 'page')
  const sections = pagesOf(document).flatMap((page, i) =>
    ranks(12).map((rank, n): Section => {
      const like = kinds[(i * 12 + n) % kinds.length] ?? header!
      const heading =
        n % 2 === 0 && like.kind !== 'quote' && like.kind !== 'legal'
          ? { heading: { type: 'text' as const, text: `Heading ${i} ${n}` } }
          : {}
      return { ...like, id: `${page.id}.s${n}` as SectionId, in: { type: 'page', page: page.id }, rank, slots: heading }
    }),
  )
  return { ...document, sections: Object.fromEntries([...shared, ...sections].map((s) => [s.id, s])) }
}

/** A large job with a long history, in a database of its own: opening it, a row more, one moved section. */
export async function benchLargeJob(): Promise<void> {
  const [{ createJob }, { openJob }, log, { kept }, { db }] = await Promise.all([
    import('../../src/server/use-cases/make-job'),
    import('../../src/server/use-cases/open-job'),
    import('../../src/server/log/edit-log'),
    import('../../src/server/files/kept'),
    import('../../src/server/store/db'),
  ])
  const job = createJob(largeSite())
  const row = (i: number) => ({
    id: `bench-${i}-row`,
    gesture: `g${Math.floor(i / 3)}`,
    undoes: null,
    edit: setText('home.s0', 'heading', `Heading ${i}`),
  })
  db().pragma('synchronous = OFF')
  for (let i = 0; i < 50_000; i += 500)
    log.appendRows(
      job,
      'bench',
      i,
      Array.from({ length: 500 }, (_, n) => row(i + n)),
    )
  db().pragma('synchronous = FULL')
  await new Promise((resolve) => setTimeout(resolve, 50))
  let bytes = 0
  let squeezed = 0
  const opening: number[] = []
  for (let i = 0; i < 10; i++) {
    kept<Map<string, unknown>>('job-states', () => new Map()).clear()
    const start = performance.now()
    const { assets: _, ...open } = await openJob(job)
    const text = JSON.stringify(open)
    opening.push(performance.now() - start)
    bytes = Buffer.byteLength(text)
    squeezed = gzipSync(text).length
  }
  line('opening a job of 200 × 12 sections and 50,000 rows, cold', percentiles(opening), 'under 1 s')
  line('what comes with it besides the pack', `${Math.round(bytes / 1000)} kB, ${Math.round(squeezed / 1000)} kB compressed`, 'under 1 MB')
  const appending = Array.from({ length: 300 }, (_, i) => time(() => void log.appendRows(job, 'bench', 50_000 + i, [row(50_000 + i)])))
  line('a row appended to it, on the disk', percentiles(appending), 'p95 under 5 ms')
  const move = {
    ...row(60_000),
    edit: {
      type: 'section/move' as const,
      section: 'home.s3' as SectionId,
      in: { type: 'page' as const, page: 'about' as never },
      rank: 'a0V',
    },
  }
  const { rows } = log.appendRows(job, 'bench', 50_300, [move])
  line('a moved section, its row with its inverse', `${JSON.stringify(rows.at(-1)).length} bytes`, 'under 1 kB')
}

export async function makeJob(app: string, name: string): Promise<string> {
  const response = await askApp(`${app}/api/jobs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ template: 'tallow', facts: { name }, brand: {} }),
  })
  return ((await response.json()) as { job: string }).job
}

/** A job of so many pages of twelve sections in an application that runs. */
export async function makeLargeJob(app: string, pages: number): Promise<string> {
  const job = await makeJob(app, 'Bench')
  const steps = differences(testSite({ name: 'Bench' }).document, largeSite(pages))
  for (let i = 0; i < steps.length; i += 500) {
    const row = { id: `bench-${pages}-pages-${i}`, gesture: `g${i}`, undoes: null, edit: toEdit(steps.slice(i, i + 500)) }
    const response = await askApp(`${app}/api/jobs/${job}/edits`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ base: i / 500, who: null, rows: [row] }),
    })
    const { refused } = (await response.json()) as { refused: readonly unknown[] }
    if (!response.ok || refused.length > 0) throw new Error(`The large job was refused: ${JSON.stringify(refused)}`)
  }
  return job
}

/** The list of jobs with 500 of them. */
export async function benchJobList(rig: Rig): Promise<void> {
  for (let i = 0; i < 500; i += 10) await Promise.all(Array.from({ length: 10 }, (_, n) => makeJob(rig.app, `Job ${i + n}`)))
  await (await askApp(rig.app)).text()
  const times: number[] = []
  for (let i = 0; i < 15; i++) {
    const start = performance.now()
    await (await askApp(rig.app)).text()
    times.push(performance.now() - start)
  }
  line('the list of 500 jobs, asked for and sent', percentiles(times), 'under 300 ms')
}
