import { expect, test, type Frame } from './test'
import { siteLabels, type Site } from '../../src/core/fill'
import { applyEdit, homePage, type EditStep, type Page as SitePage, type SiteDocument } from '../../src/core/site'
import { SHEETS } from '../../src/ui/sheets/widths'
import { hiddenWindow, widen } from './site-server'
import { cut, CUTS, designsOn, inColumns, showPublished, siteOn, TEMPLATES } from './template-page'

function cutBoth([a, b]: Pair, nth: number): Pair {
  return [
    { ...a, site: cut(a.site, nth) },
    { ...b, site: cut(b.site, nth) },
  ]
}

for (const template of TEMPLATES) {
  test(`${template}’s home page, and every design of its, is its own mirror image from right to left`, async ({ context }) => {
    const [there, here] = [await hiddenWindow(await context.newPage()), await hiddenWindow(await context.newPage())]
    const { plain, hebrew } = sameWords(siteOn(template, {}, 'Client'))
    let boxes = 0
    const page = homePage(plain.document)
    const home: Pair = [
      { site: plain, page },
      { site: hebrew, page },
    ]
    const all: Pair = [designsOn(plain, template, 'paper'), designsOn(hebrew, template, 'paper')]
    const columned: Pair = [inColumns(plain, 'narrow', true), inColumns(hebrew, 'narrow', true)]
    for (const [a, b] of [home, all, ...Array.from({ length: CUTS }, (_, nth) => cutBoth(all, nth)), columned]) {
      await showPublished(there, a.site, a.page)
      await showPublished(here, b.site, b.page)
      for (const { width, name } of SHEETS) {
        let count = 0
        const differ = async (): Promise<string[]> => {
          const [left, right] = await Promise.all([boxesAt(there, width), boxesAt(here, width)])
          count = left.length
          return differences(left, right, width)
        }
        await expect.poll(differ, `on the ${name}`).toEqual([])
        boxes += count
      }
    }
    expect(await here.evaluate(() => getComputedStyle(document.body).direction)).toBe('rtl')
    expect(boxes).toBeGreaterThan(500)
  })
}

type Pair = readonly [Shown, Shown]
type Shown = { readonly site: Site; readonly page: SitePage }

/** A site in English and in Hebrew with the very same words on it, labels and weekdays among them. */
function sameWords(site: Site): { readonly plain: Site; readonly hebrew: Site } {
  const labels = siteLabels(site.pack, site.document).map(({ label, placeholder }): EditStep => ({
    type: 'label/set',
    label,
    value: { text: placeholder },
  }))
  const plain = edited(site.document, labels)
  const hebrew = edited(plain, [{ type: 'fact/set', fact: 'language', value: 'he' }])
  return { plain: { ...site, document: plain }, hebrew: { ...site, document: hebrew } }
}

function edited(document: SiteDocument, edits: readonly EditStep[]): SiteDocument {
  const applied = applyEdit(document, { type: 'batch', edits })
  if (!applied.ok) throw new Error(applied.problem.code)
  return applied.document
}

type Box = { readonly name: string; readonly at: readonly [number, number, number, number] }

/** Every box of a page in the order of the document; words in a line are no boxes, and neither is what holds their order. */
async function boxesAt(page: Frame, width: number): Promise<readonly Box[]> {
  await widen(page, width)
  const told = await page.evaluate(async () => {
    document.querySelectorAll('img').forEach((img) => (img.loading = 'eager'))
    await Promise.all([...document.images].map((img) => img.decode().catch(() => null)))
    const all = [...document.querySelectorAll<HTMLElement>('body *:not(.skip, bdi, br)')]
    const boxes = all
      .filter((element) => getComputedStyle(element).display !== 'inline')
      .map((element) => {
        const { x, y, width, height } = element.getBoundingClientRect()
        const within = element.closest('[class*="tone-"]')?.className.split(' ')[0]
        return { name: `${within} ${element.tagName.toLowerCase()}.${element.className}`, at: [x, y, width, height] }
      })
    return JSON.stringify(boxes)
  })
  return JSON.parse(told) as Box[]
}

/** The first few boxes that do not stand where the mirror has them, to within 2 px. */
function differences(left: readonly Box[], right: readonly Box[], width: number): string[] {
  return Array.from({ length: Math.max(left.length, right.length) }, (_, i) => [left[i], right[i]] as const)
    .filter(([a, b]) => {
      if (!a || !b || a.name !== b.name) return true
      const [x, y, w, h] = a.at
      // What has no size stands nowhere.
      const mirrored = [width - x - w, y, w, h]
      return w > 0 && h > 0 && mirrored.some((n, k) => Math.abs(n - (b.at[k] ?? 0)) > 2)
    })
    .slice(0, 6)
    .map(([a, b]) => `${JSON.stringify(a)} mirrored ${JSON.stringify(b)}`)
}
