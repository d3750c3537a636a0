import type { Page } from '@playwright/test'
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import { makeSheetPainter } from '../../src/core/render'
import { homePage, pagesOf, sectionsOn, type SiteDocument } from '../../src/core/site'
import { addPage, editTo, wear } from '../../src/core/wear'
import { testAssets, testPack, testSite } from '../pack'
import { edited, setText } from '../site'
import { line, percentiles, time } from './report'
import { askApp } from '../door'

/** Another template on a site of twelve pages, each with words of the client's: reckoned, applied, and its home page drawn. */
export function benchPuttingOn(): void {
  const pack = testPack()
  let made = 0
  let document: SiteDocument = testSite({ name: 'Bench' }).document
  while (pagesOf(document).length < 12)
    document = addPage(pack, document, { template: 'windrow', page: 'services' }, () => `b${++made}`).document
  const heads = pagesOf(document).flatMap((p) =>
    sectionsOn(document, p.id)
      .filter((s) => s.kind === 'title' || s.kind === 'hero')
      .slice(0, 1),
  )
  document = edited(document, ...heads.map((s) => setText(s.id, 'heading', 'Ours')))
  const others = ['limewash', 'windrow', 'gantry', 'tallow']
  const paint = makeSheetPainter()
  const times = Array.from({ length: 80 }, (_, i) =>
    time(() => {
      document = edited(document, editTo(document, wear(pack, document, others[i % others.length] ?? 'tallow')))
      paint({ document, pack, assets: testAssets(), mode: 'sheet' }, homePage(document))
    }),
  )
  line('another template on a 12-page site, its home page drawn', percentiles(times), '100 ms')
}

const ask = async (url: string, method: string, body: unknown): Promise<string> =>
  (await askApp(url, { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) })).text()

/** Fills the room up to 24 templates with copies of the four, brought in as packs. */
async function bringCopies(app: string): Promise<void> {
  const four = ['tallow', 'limewash', 'windrow', 'gantry']
  for (let i = 0; i < 19; i++) {
    const id = four[i % 4] ?? 'tallow'
    const files = unzipSync(new Uint8Array(await (await askApp(`${app}/api/packs/${id}`)).arrayBuffer()))
    const copy = Object.fromEntries(
      Object.entries(files).map(([name, content]) => [
        name.replace(`${id}/`, `${id}-${i}/`),
        name.endsWith('template.json') ? strToU8(strFromU8(content).replace(/"name": "(\w+)"/, `"name": "$1 ${i}"`)) : content,
      ]),
    )
    const response = await askApp(`${app}/api/packs?name=copy.zip`, { method: 'POST', body: new Uint8Array(zipSync(copy, { level: 0 })) })
    if (!response.ok) throw new Error(await response.text())
  }
}

/** From the key that changes the brand until the try-ons in sight carry the new colour and are painted. */
export async function benchTryOns(page: Page, app: string): Promise<void> {
  await bringCopies(app)
  const { job } = JSON.parse(
    await ask(`${app}/api/jobs`, 'POST', { template: 'tallow', facts: { name: 'Bench' }, brand: { colour: '#204080' } }),
  ) as { job: string }
  // What is taken back and made again below is this person's own.
  await page.goto(`${app}/jobs/${job}/template`)
  const who = await page.evaluate(() => localStorage.getItem('instant-fit-person'))
  const made = await ask(`${app}/api/jobs/${job}/edits`, 'POST', {
    base: 0,
    who,
    rows: [{ id: 'bench-brand-1', edit: { type: 'brand/set', part: 'colour', value: '#a03020' }, gesture: 'bench', undoes: null }],
  })
  if (!made.includes('bench-brand-1')) throw new Error(made)
  for (const [height, what, wanted] of [
    [800, 'the first screen of try-ons', '300 ms'],
    [6600, 'all try-ons of 24 templates', '1 s'],
  ] as const) {
    await page.setViewportSize({ width: 1280, height })
    await page.goto(`${app}/jobs/${job}/template`)
    await page.waitForFunction((least) => document.querySelectorAll('iframe[data-drawn]').length >= least, height > 800 ? 40 : 6)
    const measured = await page.evaluate(async () => {
      const times: number[] = []
      const sheets = [...document.querySelectorAll<HTMLIFrameElement>('iframe[data-drawn]')].filter(
        (f) => f.getBoundingClientRect().top < innerHeight,
      )
      for (let i = 0; i < 12; i++) {
        const waits = sheets.map(
          (sheet) =>
            new Promise<void>((resolve) => {
              const tokens = sheet.contentDocument!.getElementById('tokens')!
              const observer = new MutationObserver(() => {
                observer.disconnect()
                resolve()
              })
              observer.observe(tokens, { childList: true, characterData: true, subtree: true })
            }),
        )
        const start = performance.now()
        window.dispatchEvent(new KeyboardEvent('keydown', { key: i % 2 === 0 ? 'z' : 'y', ctrlKey: true }))
        await Promise.all(waits)
        await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)))
        times.push(performance.now() - start)
      }
      return { times, sheets: sheets.length }
    })
    line(`${what} after a brand change (${measured.sheets} sheets, painted)`, percentiles(measured.times), wanted)
  }
  await page.setViewportSize({ width: 1280, height: 800 })
}

/** From a key in the brief until both sheets beside it show the letter. */
export async function benchBrief(page: Page, app: string): Promise<void> {
  const { job } = JSON.parse(await ask(`${app}/api/jobs`, 'POST', { template: 'limewash', facts: { name: 'B' }, brand: {} })) as {
    job: string
  }
  await page.goto(`${app}/jobs/${job}/brief`)
  await page.frameLocator('iframe[title^="Home page, phone"]').locator('h1').waitFor()
  await page.getByLabel('Client’s name').focus()
  await page.evaluate(() => {
    const sheets = [...document.querySelectorAll('iframe')].map((f) => f.contentDocument!.querySelector('.name')!)
    const drawn: number[] = []
    ;(window as unknown as { brief: number[] }).brief = drawn
    window.addEventListener(
      'beforeinput',
      () => {
        const start = performance.now()
        const wait = new MutationObserver(() => {
          if (new Set(sheets.map((s) => s.textContent)).size > 1) return
          wait.disconnect()
          drawn.push(performance.now() - start)
        })
        for (const sheet of sheets) wait.observe(sheet, { childList: true, characterData: true, subtree: true })
      },
      true,
    )
  })
  await page.getByLabel('Client’s name').pressSequentially('ellwether and Daughters, Physiotherapists', { delay: 100 })
  const drawn = await page.evaluate(() => (window as unknown as { brief: number[] }).brief)
  line(`a key in the brief to both sheets drawn (${drawn.length} keys)`, percentiles(drawn), 'a frame, 16 ms')
}
