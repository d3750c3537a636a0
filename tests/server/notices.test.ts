import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import type { Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { afterAll, beforeAll, expect, test, vi } from 'vitest'
import { homePage, type Edit, type PageId } from '../../src/core/site'
import { webStandIn } from '../../src/standins/client-server/web'
import { noticesStandIn } from '../../src/standins/notices/server'
import { testSite } from '../pack'
import { setText } from '../site'
import { ownDataFolder } from './log-fixture'
import { BY } from './someone'

const folders = mkdtempSync(path.join(tmpdir(), 'instant-fit-folders-'))
const folder = path.join(folders, 'told')
mkdirSync(folder)
const site = webStandIn(folder)
/** The port of a server that was started on this computer. */
const listen = (server: Server): Promise<number> =>
  new Promise((done) => server.listen(0, '127.0.0.1', () => done((server.address() as AddressInfo).port)))
let origin = ''
// Names under localhost are this computer; Node asks no further.
const engine = noticesStandIn(async (url) => {
  const answer = await fetch(url.replace('told.localhost', '127.0.0.1'))
  return answer.status === 200 ? answer.text() : null
})
let engineUrl = ''

let make: typeof import('../../src/server/use-cases/make-job')
let log: typeof import('../../src/server/log/edit-log')
let publishing: typeof import('../../src/server/use-cases/publish')
let notices: typeof import('../../src/server/use-cases/notices')
let sending: typeof import('../../src/server/notices/notices')
let store: typeof import('../../src/server/store/notices')
let job = ''
let destination = ''

beforeAll(async () => {
  ownDataFolder()
  process.env.INSTANT_FIT_FOLDERS = folders
  origin = `http://told.localhost:${await listen(site)}`
  engineUrl = `http://127.0.0.1:${await listen(engine)}/`
  process.env.INSTANT_FIT_NOTICES = engineUrl
  const destinations = await import('../../src/server/use-cases/destinations')
  ;[make, log, publishing, notices, sending, store] = await Promise.all([
    import('../../src/server/use-cases/make-job'),
    import('../../src/server/log/edit-log'),
    import('../../src/server/use-cases/publish'),
    import('../../src/server/use-cases/notices'),
    import('../../src/server/notices/notices'),
    import('../../src/server/store/notices'),
  ])
  const { document } = testSite({ name: 'Told' })
  const kept = [homePage(document).id, 'about', 'legal']
  const sections = Object.entries(document.sections).filter(([, s]) => s.in.type !== 'page' || kept.includes(s.in.page))
  const pages = Object.fromEntries(Object.entries(document.pages).filter(([id]) => kept.includes(id)))
  job = make.createJob({ ...document, pages, sections: Object.fromEntries(sections) })
  const connection = { kind: 'folder', settings: { folder: 'told' }, secret: null } as const
  destination = destinations.addDestination(job, { name: 'Told', origin, connection }, BY).id
})
afterAll(() => {
  site.close()
  engine.close()
  rmSync(folders, { recursive: true, force: true })
})

async function publish(...edits: Edit[]): Promise<void> {
  for (const edit of edits) {
    const id = `row-${Math.random()}`.replace('.', '-')
    expect(log.appendRows(job, null, log.jobState(job).revision, [{ id, gesture: id, undoes: null, edit }]).refused).toEqual([])
  }
  await publishing.publish(job, { revision: log.jobState(job).revision, destination }, () => undefined, BY)
}
const last = () => notices.noticeView(job, destination)?.last
const keyFiles = (): string[] => {
  const file = path.join(folder, '.site-files.json')
  return Object.keys((JSON.parse(readFileSync(file, 'utf8')) as { files: object }).files).filter((name) => /^[0-9a-f]{32}\.txt$/.test(name))
}

test('what is published is told with a key that lies on the site; later what changed, and what is not to be found any more', async () => {
  await publish()
  await vi.waitFor(() => expect(last()?.toldAt).not.toBeNull(), 10_000)
  expect(engine.taken[0]).toMatchObject({ host: new URL(origin).host, urls: ['/', '/about/', '/small-print/'].map((p) => origin + p) })
  expect(keyFiles()).toHaveLength(1)
  await publish(setText(homeHero(), 'heading', 'Chairs that are sat in'))
  await vi.waitFor(() => expect(engine.taken[0]?.urls).toEqual([`${origin}/`]), 10_000)
  await publish({ type: 'page/set', page: 'about' as PageId, part: 'unfound', value: true })
  await vi.waitFor(() => expect(engine.taken[0]?.urls).toEqual([`${origin}/about/`]), 10_000)
}, 60_000)

test('while nobody takes it, it says why, is tried again, and is told in the end', async () => {
  process.env.INSTANT_FIT_NOTICES = 'http://127.0.0.1:1/'
  await publish(setText(homeHero(), 'heading', 'Benches that are slept on'))
  await vi.waitFor(() => expect(last()?.said).toBe('it does not answer'), 10_000)
  expect(last()?.toldAt).toBeNull()
  process.env.INSTANT_FIT_NOTICES = engineUrl
  sending.tellSoon(0)
  await vi.waitFor(() => expect(last()?.toldAt).not.toBeNull(), 10_000)
  expect(last()?.said).toBeNull()
}, 60_000)

test('what is refused for good is told with the next release', async () => {
  // A server that is no search engine.
  process.env.INSTANT_FIT_NOTICES = origin.replace('told.localhost', '127.0.0.1').replace(/$/, '/nobody/')
  await publish(setText(homeHero(), 'heading', 'Stools for the tall'))
  await vi.waitFor(() => expect(last()).toMatchObject({ said: 'it answered with status 404', isOver: true }), 10_000)
  process.env.INSTANT_FIT_NOTICES = engineUrl
  await publish({ type: 'page/set', page: 'about' as PageId, part: 'unfound', value: false })
  await vi.waitFor(() => expect(engine.taken[0]?.urls).toEqual([`${origin}/`, `${origin}/about/`]), 10_000)
  expect(last()?.toldAt).not.toBeNull()
}, 60_000)

test('a job that tells nobody has no key on its site and sends nothing', async () => {
  const before = engine.taken.length
  notices.setTold(job, false)
  await publish(setText(homeHero(), 'heading', 'Tables for everything else'))
  expect(keyFiles()).toEqual([])
  expect(existsSync(path.join(folder, 'index.html'))).toBe(true)
  expect(store.openNotices(99)).toEqual([])
  expect(engine.taken.length).toBe(before)
  notices.setTold(job, true)
}, 60_000)

test('the search engine believes nobody who has no key on the site, and takes no addresses of another', async () => {
  const send = async (body: unknown): Promise<number> => (await fetch(engineUrl, { method: 'POST', body: JSON.stringify(body) })).status
  const { host } = new URL(origin)
  const key = 'abcdef0123456789'
  const notice = { host, key, keyLocation: `${origin}/${key}.txt`, urlList: [`${origin}/`] }
  expect(await send(notice)).toBe(403)
  expect(await send({ ...notice, urlList: ['https://elsewhere.example/'] })).toBe(422)
  expect(await send({ ...notice, urlList: [] })).toBe(400)
  expect(await send('nothing')).toBe(400)
  expect((await fetch(engineUrl)).status).toBe(200)
})

function homeHero(): string {
  const { document } = log.jobState(job)
  return Object.values(document.sections).find((s) => s.kind === 'hero' && s.in.type === 'page' && s.in.page === homePage(document).id)!.id
}
