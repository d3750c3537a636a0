import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:http'
import { tmpdir } from 'node:os'
import path from 'node:path'
import * as v from 'valibot'
import { beforeAll, expect, test } from 'vitest'
import type { Edit, PageId } from '../../src/core/site'
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

/** A job of a page or two, in a folder that is served at an origin. */
async function published(
  name: string,
  origin: string,
  more: readonly string[] = [],
): Promise<{ readonly job: string; readonly id: string; readonly folder: string }> {
  const { document } = testSite({ name: 'Looked At' })
  const page = document.pages.legal!
  const sections = Object.fromEntries(
    Object.entries(document.sections).filter(([, s]) => s.in.type !== 'page' || s.in.page === 'legal' || more.includes(s.id)),
  )
  const job = make.createJob({
    ...document,
    pages: { ...(more.length > 0 && { about: document.pages.about! }), legal: { ...page, segment: '', rank: 'Zz' } },
    sections,
  })
  const connection = { kind: 'folder', settings: { folder: name }, secret: null } as const
  const { id } = destinations.addDestination(job, { name, origin, connection }, BY)
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

test('a site in a folder of its host works: every link, picture and style, the page for wrong addresses, and what leads on', async () => {
  const port = await serving(webStandIn(folders))
  const origin = `http://client.localhost:${port}/shop/new`
  mkdirSync(path.join(folders, 'shop'))
  const { job, id, folder } = await published('shop/new', origin, ['about.title'])
  const move: Edit = { type: 'page/set', page: 'about' as PageId, part: 'segment', value: 'who' }
  const row = { id: 'row-moves-about', gesture: 'g', undoes: null, edit: move }
  log.appendRows(job, null, log.jobState(job).revision, [row])
  await publishing.publish(job, { revision: log.jobState(job).revision, destination: id }, silent, BY)
  const seen = await looking.lookAsVisitor(job, id, silent)
  expect(seen).toMatchObject({ faults: [] })

  const at = (where: string): Promise<Response> => fetch(where.replace('client.localhost', '127.0.0.1'))
  const asked = new Set<string>()
  for (const [page, file] of [
    ['/', 'index.html'],
    ['/who/', 'who/index.html'],
    ['/not/there/', '404.html'],
    ['/about/', 'about/index.html'],
  ] as const) {
    const html = readFileSync(path.join(folder, file), 'utf8')
    const links = [...html.matchAll(/(?:href|src|content)="(?:0; url=)?((?:\.{0,2}\/|https?:\/\/client)[^"#]*)/g)].map(
      ([, link = '']) => link,
    )
    expect(links.length, file).toBeGreaterThan(1)
    for (const link of links) asked.add(new URL(link, origin + page).href)
  }
  for (const one of asked) {
    expect(one.startsWith(`${origin}/`), one).toBe(true)
    expect((await at(one)).status, one).toBe(200)
  }
  const map = readFileSync(path.join(folder, 'sitemap.xml'), 'utf8')
  expect([...map.matchAll(/<loc>([^<]+)<\/loc><lastmod>/g)].map(([, url]) => url)).toEqual([`${origin}/`, `${origin}/who/`])
  // Nobody reads one there (RFC 9309, 2.3).
  expect(existsSync(path.join(folder, 'robots.txt'))).toBe(false)
})

test('where a site stands is a host or a folder of one', () => {
  const { originSchema } = destinations
  const read = (text: string): string | null => {
    const { success, output } = v.safeParse(originSchema, text)
    return success ? (output as string) : null
  }
  expect(read(' https://www.example.com/ ')).toBe('https://www.example.com')
  expect(read('https://www.example.com/shop//')).toBe('https://www.example.com/shop')
  expect(read('https://www.example.com:8443/de/neu/')).toBe('https://www.example.com:8443/de/neu')
  for (const wrong of [
    'www.example.com',
    'ftp://a.example',
    'https://a.example/?q',
    'https://a.example/#top',
    'https://a@a.example/',
    'https://a.example/index.html',
  ])
    expect(read(wrong), wrong).toBeNull()
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
