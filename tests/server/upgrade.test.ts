import { spawn } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { gunzipSync } from 'node:zlib'
import { build } from 'esbuild'
import { strToU8, zipSync } from 'fflate'
import { beforeAll, describe, expect, test } from 'vitest'
import { countLeftovers, fillPage, leftoverParts, readElements, siteLabels } from '../../src/core/fill'
import { renderBody } from '../../src/core/render'
import {
  applyEdit,
  findSection,
  gesturesOf,
  pagesOf,
  sectionsIn,
  takeBack,
  undoable,
  redoable,
  type SiteDocument,
} from '../../src/core/site'
import { pagePath } from '../../src/core/pages'
import { testPack } from '../pack'
import { forgetMemory, ownDataFolder } from './log-fixture'
import { OWNER } from './someone'

// A database that the application of format 1 made on 25 November 2026: the demo's four clients, and jobs that went
// through entries, templates, pages, undo and redo, starting over, and a name that its own schema refused afterwards.
type Was = {
  readonly revision: number
  readonly name: string
  readonly leftovers: number
  readonly drafts: number
  readonly undo: number
  readonly redo: number
  readonly pages: readonly { readonly path: string; readonly words: string; readonly links: readonly string[] }[]
}
const fixture = (name: string): Buffer => readFileSync(path.join(import.meta.dirname, '..', 'fixtures', name))
const expected = JSON.parse(fixture('format-1.json').toString()) as Record<string, Was | null>
const readable = Object.entries(expected).filter((e): e is [string, Was] => e[1] !== null)
const shutOut = Object.entries(expected).find(([, was]) => was === null)![0]

let log: typeof import('../../src/server/log/edit-log')
let rows: typeof import('../../src/server/store/log-rows')
let assets: typeof import('../../src/server/store/assets')
let database: typeof import('../../src/server/store/db')
let migrations: typeof import('../../src/server/store/migrate')
let list: typeof import('../../src/server/use-cases/list-jobs')
let folder = ''

beforeAll(async () => {
  folder = ownDataFolder()
  writeFileSync(path.join(folder, 'instant-fit.sqlite'), gunzipSync(fixture('format-1.sqlite.gz')))
  ;[log, rows, assets, database, migrations, list] = await Promise.all([
    import('../../src/server/log/edit-log'),
    import('../../src/server/store/log-rows'),
    import('../../src/server/store/assets'),
    import('../../src/server/store/db'),
    import('../../src/server/store/migrate'),
    import('../../src/server/use-cases/list-jobs'),
  ])
})

const strip = (html: string): string =>
  html
    .replaceAll(/<[^>]*>/g, '\n')
    .replaceAll(/\s*\n\s*/g, '\n')
    // Spaces at which no line breaks are printed ones, not the document’s.
    .replaceAll(/[\u00a0\u202f]/g, ' ')
    .trim()

describe('a job of format 1', () => {
  test.each(readable)('%s reads as before: words, links, leftovers, drafts', async (id, was) => {
    const { document, revision } = log.jobState(id)
    expect(revision).toBe(was.revision)
    const site = { document, pack: testPack(), assets: assets.jobAssets(id), mode: 'release' as const }
    const pages = pagesOf(document).map((page) => {
      const html = renderBody(site, page)
      const links = [...html.matchAll(/href="([^"]*)"/g)].map((m) => m[1])
      return { path: pagePath(document, page).replace(/(?<=.)\/$/, ''), words: strip(html), links }
    })
    expect(pages).toEqual(was.pages.map(({ path: at, words, links }) => ({ path: at, words, links })))
    // Names and addresses of pages, and words of designs, were not counted then.
    const since = pagesOf(document).flatMap((page, i) =>
      leftoverParts(page, i === 0 ? 'home' : 'page').filter((part) => part !== 'description'),
    )
    const labels = siteLabels(testPack(), document).filter((l) => l.leftover)
    const total = was.leftovers + since.length + labels.length
    expect(countLeftovers(testPack(), document)).toMatchObject({ total, drafts: was.drafts })
  })

  test.each(readable)('%s replays from its first snapshot to the same document, and every row keeps its number', (id, was) => {
    const { document } = log.jobState(id)
    const all = rows.rowsSince(id, 0)
    expect(all.map((row) => row.revision)).toEqual(Array.from({ length: was.revision }, (_, i) => i + 1))
    const replayed = all.reduce((at, row) => {
      const applied = applyEdit(at, row.edit)
      if (!applied.ok) throw new Error(applied.problem.code)
      expect(applied.inverse).toEqual(row.inverse)
      return applied.document
    }, log.stateAt(id, 0).document)
    expect(replayed).toEqual(document)
  })

  test.each(readable)('%s is undone back past the upgrade, step by step, to where it began', (id, was) => {
    let { document } = log.jobState(id)
    const all: Parameters<typeof takeBack>[1][number][] = [...rows.rowsSince(id, 0)]
    const gestures = gesturesOf(all)
    expect(redoable(gestures, 'anybody')).toHaveLength(was.redo)
    expect(undoable(gestures, 'anybody')).toHaveLength(was.undo)
    for (let n = 0; ; n++) {
      const [gesture] = undoable(gesturesOf(all), 'anybody')
      if (gesture === undefined) break
      const taken = takeBack(document, all, gesture)
      if (!taken.ok) throw new Error(taken.problem)
      const applied = applyEdit(document, taken.edit)
      if (!applied.ok) throw new Error(applied.problem.code)
      document = applied.document
      all.push({ id: `u${n}`, gesture: `u${n}`, who: null, undoes: gesture, edit: taken.edit, inverse: applied.inverse })
    }
    expect(document).toEqual(log.stateAt(id, 0).document)
  })

  test('that could not be opened any more is opened again, its long name cut to what fits', () => {
    const { document } = log.jobState(shutOut)
    expect(findSection(document, 'home.hero')!.slots.heading).toEqual({ type: 'text', text: 'Found again' })
    expect(Object.values(document.pages).some((p) => p.texts.name?.text === 'n'.repeat(1000))).toBe(false)
    expect(Object.values(document.pages).map((p) => p.texts.name?.text)).toContain('Short')
  })

  test('keeps entries, their order and what was taken out', () => {
    const went = readable.find(([, was]) => was.name.startsWith('Hollin'))![0]
    const { document }: { document: SiteDocument } = log.jobState(went)
    const words: string[] = []
    const home = fillPage({ document, pack: testPack(), assets: {}, mode: 'release' }, pagesOf(document)[0]!)
    for (const { id, root } of home.main)
      if (id === 'home.services') readElements(root, (e) => void (e.tag === 'h3' && words.push(e.words())))
    expect(words.slice(1)).toEqual(['Springs', 'A new entry'])
  })
})

test('when the application starts, each job gets its page for wrong addresses, once, and nobody’s undo takes it away', async () => {
  const { completeJobs } = await import('../../src/server/use-cases/complete-jobs')
  const [id, was] = readable[0]!
  await completeJobs()
  const { document, revision } = log.jobState(id)
  expect(revision).toBe(was.revision + 1)
  expect(sectionsIn(document, { type: 'notFound' })).toMatchObject([{ id: 'not-found', kind: 'title' }])
  expect(undoable(gesturesOf(rows.rowsSince(id, was.revision)), 'somebody')).toEqual([])
  await completeJobs()
  expect(log.jobState(id).revision).toBe(revision)
})

test('all jobs are listed, and nothing of format 1 is deleted', () => {
  expect(list.listJobLines(OWNER).map((line) => line.trouble)).toEqual(Array.from({ length: Object.keys(expected).length }, () => null))
  expect(database.db().prepare('SELECT count(*) AS n FROM edit_format_1').get()).toEqual({ n: 32 })
  expect(database.db().prepare('SELECT count(*) AS n FROM not_upgraded').get()).toEqual({ n: 0 })
})

test('what was published before is known as published: the newest is live', async () => {
  const publications = await import('../../src/server/store/publications')
  const releases = await import('../../src/server/store/releases')
  const job = readable.find(([, was]) => was.name.startsWith('Tolliver'))![0]
  const live = publications.livePublication(job)!
  expect(releases.getRelease(job, live.release).number).toBe(2)
  expect(releases.publishedReleases(job, 'web-host').map((r) => r.number)).toEqual([2, 1])
  expect(publications.openPublications()).toEqual([])
})

test('whenever it is cut off by kill -9, the next start brings up what is left, and each job is what it would have been', async () => {
  const bundled = path.join(import.meta.dirname, '..', '..', 'dist', 'tests', 'bring-up.mjs')
  await build({
    entryPoints: [path.join(import.meta.dirname, '..', 'campaigns', 'bring-up.ts')],
    outfile: bundled,
    bundle: true,
    packages: 'external',
    platform: 'node',
    format: 'esm',
    logLevel: 'warning',
  })
  const cut = mkdtempSync(path.join(tmpdir(), 'instant-fit-cut-'))
  writeFileSync(path.join(cut, 'instant-fit.sqlite'), gunzipSync(fixture('format-1.sqlite.gz')))
  /** Starts, and is killed once it has said so many lines; answers with the jobs that it had read. */
  const start = (lines: number): Promise<readonly string[]> =>
    new Promise((resolve, reject) => {
      const child = spawn(process.execPath, [bundled], {
        env: { ...process.env, INSTANT_FIT_DATA: cut },
        stdio: ['ignore', 'pipe', 'pipe'],
      })
      let said = ''
      let fault = ''
      child.stderr.on('data', (part: Buffer) => (fault += part.toString('utf8')))
      child.stdout.on('data', (part: Buffer) => {
        said += part.toString('utf8')
        if (said.split('\n').length > lines) child.kill('SIGKILL')
      })
      child.on('exit', (code) => (code === null || code === 0 ? resolve(said.trim().split('\n').slice(1)) : reject(new Error(fault))))
    })
  for (let lines = 0; lines < Object.keys(expected).length; lines += 2) await start(lines + 1)
  const read = await start(Infinity)
  expect(read).toHaveLength(Object.keys(expected).length)
  const there = database.openDb(path.join(cut, 'instant-fit.sqlite'))
  const rowsIn = (db: ReturnType<typeof database.openDb>, id: string): unknown =>
    db
      .prepare('SELECT revision, id, gesture, undoes, edit, inverse FROM log_row WHERE job = ? AND revision <= ? ORDER BY revision')
      .all(id, 31)
  for (const [id, was] of readable) {
    expect(read).toContain(`${id} ${was.revision}`)
    expect((rowsIn(there, id) as object[]).slice(0, was.revision)).toEqual((rowsIn(database.db(), id) as object[]).slice(0, was.revision))
  }
  there.close()
})

describe('a migration', () => {
  test('that is newer than the application, edited, missing or in another place is refused', () => {
    const file = path.join(folder, 'other.sqlite')
    const opened = database.openDb(file)
    const all = migrations.readMigrations()
    expect(() => migrations.migrate(opened, all)).not.toThrow()
    expect(() => migrations.migrate(opened, all.with(1, { ...all[1]!, hash: 'another' }))).toThrow(/002.* was changed/)
    expect(() => migrations.migrate(opened, [all[1]!, all[0]!, ...all.slice(2)])).toThrow(/ran here as 001/)
    expect(() => migrations.migrate(opened, all.slice(0, 4))).toThrow(/version 21/)
    opened.close()
  })

  // One that has run anywhere is never edited, not even its lines: a database that knows it by its hash would be refused.
  test('that has run is the very one that ran', () => {
    const ran = [
      '9d3d0fd67dcf691821e07dbd7796a2975fa36c37f0a53c9a8e7f81e74eccee80',
      'e100eec0646571138a96915d45c47a90ad3953b7321e03de4dfd6ee85b70f6ef',
      '5dff5e36b1b28460030c9e092e137979f602cd57283f6064c7c14a91cc8490ab',
      '3dbf9cede01c5f922125549c7f9f9a79726cd50ecce040d6e1d55a405af92c8b',
      '7daf005a5654765b28cfddeb8234feddc0e29b820131c64676d8c6b88a67869d',
      '92a643aa068b02ab810c21e0313a2b16875781c1376e28242a1bfa9a2ad28fa7',
      '20d7bc275c5bc7e3791e87929f939027645649c9c6d2aec9eb7175df9dd80174',
      'c11d1b20502b7db1a577a7cf12b56660349f6816fe711ecd3169629333d9da8e',
      '7aa6d09bbb7eb92431205583f05b37bc4143d2c2a6957e2e76f3e12673ab785f',
      '423123ce9205ca13e49e91c3cef747b9042f832faa1c3f8366b31e4f43698b74',
      '0fb3e1e4a9645f0c11ce6b560f330952017c4e47062e8fde0c736b65dfc3e3f0',
      'c2c2e2963e30bd732eac35b7638b73a31145dc93cfc3cf8b26a2625e10d5d655',
      '99660d845c7e6cfa74d856db1c8d665c6dc4066c1bdaeb7ee1224f035b543f0a',
      'e7708794efde7b19f40e5740eac184f8923ceebbcb354c0a71b019bdf59b6d2d',
      'aa4dc1502c85fd0ad9d7a28aab2f567f26ab2bf84a98ab07cca560f9af31fef8',
      '5f3195e5f415d49eaaf18edb493fc12ac38923feaac4978d51bdb2cdddd9cdb2',
      '2fedaae00bf41b72dcb1130b86297a045567c3d4511dff99b7866da8fb002de3',
      '63fc3b87e833430efbaaa328c4522c4b2306d2a83b1dfe766a46660bf610fcfb',
      '3daa2162b37a963856cfced2fce0e92de4458bfa84a4a06e7c6405ef0a1ff8b7',
      '6ce70f251b0750f97208562737a620b894ad96ba6e724b6d0f99838ebdadfe57',
      'f76d0a7d2eddc9173e118ce5211f9df2c9146a383faede8643f8bc8337579e84',
    ]
    expect(migrations.readMigrations().map((m) => m.hash)).toEqual(ran)
  })

  test('that runs again on a whole database changes nothing', () => {
    const before = log.jobState(readable[0]![0])
    database.db().close()
    forgetMemory()
    expect(log.jobState(readable[0]![0])).toEqual(before)
  })
})

describe('a job of format 2', () => {
  type Told = {
    readonly revision: number
    readonly document: object
    readonly leftovers: number
    readonly undo: number
    readonly redo: number
  }
  const told = JSON.parse(gunzipSync(fixture('format-2.json.gz')).toString()) as Readonly<
    Record<string, Told & { pages: readonly number[] }>
  >
  beforeAll(() => {
    const second = ownDataFolder()
    writeFileSync(path.join(second, 'instant-fit.sqlite'), gunzipSync(fixture('format-2.sqlite.gz')))
    forgetMemory()
  })

  test.each(Object.entries(told))('%s is the same job in format 3, and nothing of its log was written anew', (id, was) => {
    const { document, revision } = log.jobState(id)
    expect(revision).toBe(was.revision)
    expect(document).toEqual({ ...was.document, format: 3, collections: {} })
    expect(countLeftovers(testPack(), document).total).toBe(was.leftovers)
    const site = { document, pack: testPack(), assets: {}, mode: 'release' as const }
    expect(pagesOf(document).map((page) => renderBody(site, page).length)).toEqual(was.pages)
    const formats = database.db().prepare<[string], { format: number }>('SELECT DISTINCT format FROM log_row WHERE job = ?').all(id)
    expect(formats).toEqual([{ format: 2 }])
  })

  test.each(Object.entries(told))('%s is undone back to where it began, and goes on in format 3', (id, was) => {
    const all = rows.rowsSince(id, 0)
    const gestures = gesturesOf(all)
    expect(undoable(gestures, 'person:somebody')).toHaveLength(was.undo)
    expect(redoable(gestures, 'person:somebody')).toHaveLength(was.redo)
    const replayed = all.reduce((at, row) => {
      const applied = applyEdit(at, row.edit)
      if (!applied.ok) throw new Error(applied.problem.code)
      return applied.document
    }, log.stateAt(id, 0).document)
    expect(replayed).toEqual(log.jobState(id).document)
    const oldest = undoable(gestures, 'person:somebody').at(-1)!
    const taken = takeBack(replayed, all, oldest)
    expect(taken.ok || taken.problem).toBeTruthy()
    const edit = { type: 'fact/set', fact: 'name', value: 'Enw', language: 'cy' } as const
    log.appendRows(id, 'person:somebody', was.revision, [{ id: `said-${id}`, gesture: 'said', undoes: null, edit }])
    expect(log.jobState(id).document.facts.name).toMatchObject({ said: { cy: 'Enw' } })
    expect(
      database
        .db()
        .prepare('SELECT format FROM log_row WHERE job = ? AND revision = ?')
        .get(id, was.revision + 1),
    ).toEqual({ format: 3 })
  })
})

test('a handover of format 2 is read in as the same job, with its history', async () => {
  ownDataFolder()
  forgetMemory()
  const { importJob } = await import('../../src/server/use-cases/import-job')
  const project = JSON.parse(gunzipSync(fixture('handover-2.json.gz')).toString()) as {
    job: string
    document: object
    rows: readonly object[]
  }
  // Its templates are those that ship.
  const zip = zipSync({ 'project/project.json': strToU8(JSON.stringify({ ...project, packs: [] })) })
  const request = new Request('http://app/api/projects', { method: 'POST', body: new Uint8Array(zip) })
  const { job } = await importJob(request, new URLSearchParams({ name: 'handed.zip' }), OWNER)
  const { document, revision } = log.jobState(job)
  expect(document).toEqual({ ...project.document, format: 3, collections: {} })
  expect(revision).toBe(project.rows.length)
})
