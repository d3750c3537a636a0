import { createRequire } from 'node:module'
import { expect, test, type Frame, type Page } from './test'
import type { Site } from '../../src/core/fill'
import { designKey, parseDesign } from '../../src/core/pack'
import { renderPage } from '../../src/core/render'
import { homePage } from '../../src/core/site'
import { richFromPlain } from '../../src/core/rich'
import { cleanSvg } from '../../src/server/readers/clean-svg'
import { testPack, testSite } from '../pack'
import { edited, setSlot, setText } from '../site'

test.use({ ownTab: true })

// What DOMPurify 0.8 was tested with, as the registry has it: 185 pieces of HTML and SVG that mean to run something where they are shown.
const CORPUS = createRequire(import.meta.url)('dompurify-corpus/test/fixtures/expect.js') as readonly { readonly payload: string }[]
const FILES = {
  origin: 'https://client.example',
  stylesheet: 'style.css',
  preloads: [],
  icons: { svg: 'a.svg', ico: 'a.ico', touch: 'a.png', manifest: 'site.webmanifest' },
}

/** So many pages are shown beside one another, each in a frame that keeps what it does to itself. */
const BESIDE = 24

/** What each page does that is shown without any policy, each of its elements having been touched: what ran, and where from it fetched. */
async function done(page: Page, shown: readonly { readonly name: string; readonly html: string }[]): Promise<string[]> {
  const found: string[] = []
  // A page of the corpus may have frames of its own.
  const nameIn = (frame: Frame): string => {
    const path = URL.canParse(frame.url()) ? new URL(frame.url()).pathname.slice(1) : ''
    const parent = frame.parentFrame()
    return (path === '' ? null : shown[Number(path)]?.name) ?? (parent ? nameIn(parent) : frame.url())
  }
  await page.exposeBinding('ran', ({ frame }, what: string) => void found.push(`${nameIn(frame)} ran ${what}`))
  await page.addInitScript(() => {
    const tell = (window as unknown as { ran: (what: string) => void }).ran
    for (const name of ['alert', 'confirm', 'prompt'] as const) Object.assign(window, { [name]: (what: unknown) => tell(String(what)) })
  })
  let frames = ''
  await page.route('**/*', (route) => {
    const { host, pathname } = new URL(route.request().url())
    if (host !== 'shown.example') {
      found.push(`${nameIn(route.request().frame())} fetched ${route.request().url()}`)
      return route.abort()
    }
    return route.fulfill({ contentType: 'text/html', body: pathname === '/' ? frames : (shown[Number(pathname.slice(1))]?.html ?? '') })
  })
  for (let from = 0; from < shown.length; from += BESIDE) {
    const some = shown.slice(from, from + BESIDE)
    const sandbox = 'allow-scripts allow-same-origin allow-forms allow-modals'
    frames = `<!doctype html>${some.map((_, i) => `<iframe sandbox="${sandbox}" src="/${from + i}"></iframe>`).join('')}`
    await page.goto('http://shown.example/', { waitUntil: 'load' })
    const inner = page.frames().filter((frame) => frame.parentFrame() === page.mainFrame())
    expect(inner).toHaveLength(some.length)
    await Promise.all(inner.map((frame) => frame.evaluate(touchAll)))
  }
  return found
}

/** In a page: touches each of its elements. */
async function touchAll(): Promise<void> {
  for (const element of document.querySelectorAll('body *')) {
    for (const type of ['mouseover', 'mouseout', 'mousedown', 'mouseup', 'focus', 'blur', 'error', 'load', 'submit'])
      element.dispatchEvent(new Event(type))
    const address = element.getAttribute('href') ?? element.getAttribute('action') ?? ''
    if (/^\W*\w*script:/i.test(address)) (window as unknown as { ran: (what: string) => void }).ran(address)
  }
  await new Promise((next) => requestAnimationFrame(() => requestAnimationFrame(next)))
}

test('the corpus runs in a page that shows it as it is: the test could fail', async ({ page }) => {
  const shown = CORPUS.map(({ payload }, i) => ({ name: String(i), html: `<!doctype html><body>${payload}` }))
  expect((await done(page, shown)).length).toBeGreaterThan(80)
})

test('a drawing that is taken runs nothing and fetches nothing', async ({ page }) => {
  const drawings = CORPUS.flatMap(({ payload }, i) => [
    { name: `${i} alone`, source: payload },
    { name: `${i} inside`, source: `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9">${payload}<path d="M0 0h9v9z"/></svg>` },
  ])
  const taken = drawings.flatMap(({ name, source }) => {
    const clean = cleanSvg(source)
    return clean.ok ? [{ name, html: `<!doctype html><body>${clean.svg}` }] : []
  })
  expect(taken.length).toBeGreaterThan(10)
  expect(await done(page, taken)).toEqual([])
})

test('words that are markup are words on the page they are published on', async ({ page }) => {
  const site = testSite()
  const shown = Array.from({ length: Math.ceil(CORPUS.length / 10) }, (_, i) => {
    const ten = CORPUS.slice(i * 10, i * 10 + 10).map(({ payload }) => payload)
    const words = setText('home.hero', 'heading', ten.join(' '))
    const rich = setSlot('home.hero', 'lead', { type: 'rich', rich: ten.flatMap((payload) => richFromPlain(payload)) })
    return { name: `from ${i}0`, html: published({ ...site, document: edited(site.document, words, rich) }) }
  })
  expect(await done(page, shown)).toEqual([])
})

test('a design that is taken runs nothing and fetches nothing', async ({ page }) => {
  const site = testSite()
  const hero = Object.values(site.document.sections).find(({ id }) => id === 'home.hero')!
  const designs = CORPUS.flatMap(({ payload }, i) => {
    const html = `<section class="hero-${hero.design}"><h1 data-slot="heading">A heading</h1>${payload}</section>`
    const { design, faults } = parseDesign('hero', hero.design, html, '')
    return design && faults.length === 0 ? [{ name: String(i), design }] : []
  })
  expect(designs.length).toBeGreaterThan(0)
  expect(designs.length).toBeLessThan(CORPUS.length / 2)
  const shown = designs.map(({ name, design }) => {
    const pack = { ...testPack(), designs: { ...testPack().designs, [designKey('hero', hero.design)]: design } }
    return { name, html: published({ ...site, pack }) }
  })
  expect(await done(page, shown)).toEqual([])
})

/** A site's home page as it is published, without the policy that would keep in what had got into it. */
function published(site: Site): string {
  const { html } = renderPage(site, homePage(site.document), FILES)
  return html.replace(/<meta http-equiv="Content-Security-Policy"[^>]*>/, '')
}
