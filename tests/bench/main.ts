/** Prints the figures of the design that exist already: percentiles and ratios, against what is wanted. Nothing is asserted. */
import { performance } from 'node:perf_hooks'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { chromium, type Page } from '@playwright/test'
import { countLeftovers, makeDocument, sectionRows, type Site } from '../../src/core/fill'
import { findWords } from '../../src/core/find'
import { isWanted, listTab } from '../../src/core/ledger'
import { getTemplate } from '../../src/core/pack'
import { makeSheetPainter, renderPage } from '../../src/core/render'
import { homePage, pagesOf, sectionsOn, toEdit, type Edit, type EditStep, type SectionId } from '../../src/core/site'
import { hashPassword, isPassword } from '../../src/server/people/password'
import { CHROMIUM } from '../chromium'
import { siteOfPages } from '../large-site'
import { testPack } from '../pack'
import { makeRig } from '../rig'
import { RELEASE_FILES as FILES } from '../release-files'
import { edited, setText } from '../site'
import { benchDestinations } from './destinations'
import { benchBrand, benchPaletteInCore, benchSchemes } from './brand'
import { benchLargeJob, benchJobList, makeJob } from './large-job'
import { benchKeys } from './keys'
import { benchLines } from './lines'
import { benchLibrary, benchPages } from './pages'
import { benchPhone } from './phone'
import { line, percentiles, time } from './report'
import { benchBrief, benchPuttingOn, benchTryOns } from './template-room'
import { askApp, browserState } from '../door'

// As the application runs: else each error is traced back to its source, and clients make one for every call that waits.
process.setSourceMapsEnabled(false)

function benchRendering(): void {
  const render = (site: Site): void => pagesOf(site.document).forEach((page) => void renderPage(site, page, FILES))
  const small = siteOfPages(5)
  const sites = (count: number): number =>
    time(() => {
      // Each a site of its own: of one that is drawn again, what stands on every page is written already.
      for (let i = 0; i < count; i++) render({ ...small })
    }) /
    (count * 5)
  sites(100)
  const [few, many] = [sites(20), sites(200)]
  line('rendering on one core, 1,000 pages of five-page sites', `${Math.round(1000 / many)} pages a second`, '1,000 a second')
  line('cost of a page, among 1,000 against among 100', `${(many / few).toFixed(2)} times`, 'about 1, linear')
  const large = siteOfPages(1000)
  render(large)
  line(
    'one site of 1,000 pages, every page in its two menus',
    `${Math.round(1_000_000 / time(() => render({ ...large })))} pages a second`,
    'the menus alone are 2 million links',
  )
}

/** A key press on the home page, twelve sections long: the edit, the drawing and the counts that the bar shows. */
function keyPresses(site: Site): number[] {
  const home = homePage(site.document)
  const twice = sectionsOn(site.document, home.id).map((s, i): Edit => ({
    type: 'section/insert',
    section: { ...s, id: `more.${i}` as SectionId, rank: `b0${i}` },
  }))
  let now: Site = { ...site, document: edited(site.document, ...twice) }
  const paint = makeSheetPainter()
  const press = (i: number): void => {
    now = { ...now, document: edited(now.document, setText('home.hero', 'heading', `Heading ${i}`)) }
    paint(now, homePage(now.document))
    countLeftovers(now.pack, now.document)
  }
  for (let i = 0; i < 100; i++) press(i)
  return Array.from({ length: 500 }, (_, i) => time(() => press(i)))
}

function benchEditing(): void {
  const onSheets = (pages: number): Site => ({ ...siteOfPages(pages), mode: 'sheet' })
  const [small, large] = [keyPresses(onSheets(5)), keyPresses(onSheets(200))]
  line('a key press, computed: edit, drawing of a 12-section page, counts', percentiles(small), 'within a frame of 16 ms')
  line('the same on a site of 200 pages', percentiles(large), 'as on one of five')
}

/** Words looked for on 200 pages, each place of which holds the client's own; after a key press, so that nothing is as it was. */
function benchFinding(): void {
  const { pack, document } = siteOfPages(200)
  const fill: EditStep[] = Object.values(document.sections).flatMap((section) =>
    sectionRows(pack, document, section).flatMap(({ place: { section: id, entry, slot }, placeholder }): EditStep[] =>
      placeholder ? [{ type: 'slot/set', section: id, entry, slot, value: placeholder }] : [],
    ),
  )
  let full = edited(document, toEdit(fill))
  const asked = { words: 'chair', isExact: false, isWhole: false }
  const first = time(() => void findWords(pack, full, asked))
  const times = Array.from({ length: 50 }, (_, i) => {
    full = edited(full, setText('home.hero', 'heading', `A chair ${i}`))
    return time(() => void findWords(pack, full, asked))
  })
  line('words found on 200 pages, the first time', `${first.toFixed(0)} ms, ${findWords(pack, full, asked).length} hits`, '100 ms')
  line('the same after each key press', percentiles(times), '100 ms')
}

function benchLedger(): void {
  const pack = testPack()
  let full = siteOfPages(200).document
  const first = time(() => void listTab(pack, full, 'site'))
  const press = (i: number): void => void (full = edited(full, setText('home.hero', 'heading', `Words ${i}`)))
  const listed = Array.from({ length: 50 }, (_, i) => {
    press(i)
    return time(() => void listTab(pack, full, 'site'))
  })
  const narrowed = Array.from({ length: 20 }, (_, i) => {
    press(i)
    const known = { pack, document: full, isLong: () => false, changed: null }
    return time(() => {
      for (const group of listTab(pack, full, 'site'))
        for (const one of group.listed) isWanted({ show: 'leftovers', words: 'chair' }, group, one, known)
    })
  })
  const count = listTab(pack, full, 'site').reduce((sum, group) => sum + group.listed.length, 0)
  line('the whole site listed, 200 pages, the first time', `${first.toFixed(0)} ms, ${count} places`, '1 s')
  line('the same after each key press', percentiles(listed), '16 ms')
  line('narrowed to leftovers with a word, after each key press', percentiles(narrowed), '100 ms')
}

function benchDocument(): void {
  const tallow = getTemplate(testPack(), 'tallow')
  const times = Array.from({ length: 200 }, () => time(() => void makeDocument(tallow, {}, {})))
  line('a new site document', percentiles(times), `${tallow.pages.length} pages`)
}

async function benchSigningIn(): Promise<void> {
  const password = 'seven pins in a lemon tree'
  const kept = await hashPassword(password)
  const times: number[] = []
  for (let i = 0; i < 12; i++) {
    const start = performance.now()
    await isPassword(password, kept)
    times.push(performance.now() - start)
  }
  line('a password judged, by Argon2id', percentiles(times), '200 to 500 ms')
}

async function benchPublishing(app: string): Promise<void> {
  const ask = async (url: string, method: string, body: unknown): Promise<string> =>
    (await askApp(app + url, { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) })).text()
  const job = await makeJob(app, 'Bench Publishing')
  await ask(`/api/jobs/${job}/address`, 'PUT', { name: 'bench' })
  const publish = async (): Promise<{ sentFiles: number }> => {
    const prepared = JSON.parse((await ask(`/api/jobs/${job}/prepare`, 'POST', {})).trim().split('\n').at(-1) ?? '') as {
      result: { revision: number }
    }
    const sent = JSON.parse(
      (await ask(`/api/jobs/${job}/publish`, 'POST', { revision: prepared.result.revision })).trim().split('\n').at(-1) ?? '',
    ) as { result: { sentFiles: number } }
    return sent.result
  }
  const firstStart = performance.now()
  const first = await publish()
  line(
    'first publishing of the eight-page site, pictures made',
    `${((performance.now() - firstStart) / 1000).toFixed(1)} s, ${first.sentFiles} files`,
    'no figure',
  )
  const times: number[] = []
  let files = 0
  for (let i = 0; i < 15; i++) {
    await ask(`/api/jobs/${job}/edits`, 'POST', {
      base: i,
      who: null,
      rows: [{ id: `bench-row-${i}`, gesture: `g${i}`, undoes: null, edit: setText('home.hero', 'heading', `Heading ${i}`) }],
    })
    const start = performance.now()
    files = (await publish()).sentFiles
    times.push(performance.now() - start)
  }
  line(`publishing again after one changed text (${files} file sent)`, percentiles(times), 'under 500 ms')
}

/** What can be timed by itself: `npm run bench -- keys pages`. Without a name, everything. */
const CORE = new Map<string, () => void | Promise<void>>([
  ['rendering', benchRendering],
  ['editing', benchEditing],
  ['finding', benchFinding],
  ['ledger', benchLedger],
  ['schemes', benchSchemes],
  ['palette', benchPaletteInCore],
  ['document', benchDocument],
  ['putting-on', benchPuttingOn],
  ['large-job', benchLargeJob],
  ['signing-in', benchSigningIn],
  ['destinations', benchDestinations],
  ['phone', benchPhone],
])
type Bench = (page: Page, rig: Awaited<ReturnType<typeof makeRig>>) => Promise<void>
const INTERFACE = new Map<string, Bench>([
  ['keys', (page, rig) => benchKeys(page, rig.app)],
  ['lines', (page, rig) => benchLines(page, rig.app)],
  ['pages', (page, rig) => benchPages(page, rig.app)],
  ['library', (page, rig) => benchLibrary(page, rig.app)],
  ['jobs', (_, rig) => benchJobList(rig)],
  ['brief', (page, rig) => benchBrief(page, rig.app)],
  ['try-ons', (page, rig) => benchTryOns(page, rig.app)],
  ['brand', (page, rig) => benchBrand(page, rig.app)],
  ['publishing', (_, rig) => benchPublishing(rig.app)],
])

const asked = process.argv.slice(2)
const unknown = asked.filter((name) => !CORE.has(name) && !INTERFACE.has(name))
if (unknown.length > 0) {
  console.error(`There is no ${unknown.join(', ')}; there are ${[...CORE.keys(), ...INTERFACE.keys()].join(', ')}.`)
  process.exit(1)
}
const isAsked = ([name]: readonly [string, unknown]): boolean => asked.length === 0 || asked.includes(name)

console.log(
  `Baseline: this machine, ${process.platform} ${process.arch}, Node ${process.version}, headless Chromium without a graphics card.\n`,
)
process.env.INSTANT_FIT_DATA = mkdtempSync(path.join(tmpdir(), 'instant-fit-bench-'))
for (const [, bench] of [...CORE].filter(isAsked)) await bench()
const wanted = [...INTERFACE].filter(isAsked)
if (wanted.length > 0) {
  const rig = await makeRig()
  const browser = await chromium.launch(CHROMIUM)
  try {
    await rig.startHost()
    await rig.startApp()
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, storageState: browserState(rig.signedIn()) })
    for (const [, bench] of wanted) await bench(page, rig)
  } finally {
    await browser.close()
    await rig.stop()
  }
}
rmSync(process.env.INSTANT_FIT_DATA, { recursive: true, force: true })
