import { expect, test, type Page } from './test'
import { allOf, fillPage, type Site } from '../../src/core/fill'
import { parseRatio } from '../../src/core/image'
import { bodyHtml, makeSheetPainter, renderPage } from '../../src/core/render'
import { pagesOf, TONES, type Page as SitePage } from '../../src/core/site'
import { SHEET_CSS } from '../../src/ui/sheets/sheet-css'
import { SHEETS } from '../../src/ui/sheets/widths'
import { designsOn, FILES, inColumns, siteOn, TEMPLATES, withStyles } from './template-page'
import { showHtml, type SizeOf } from './site-server'

for (const template of TEMPLATES) {
  test(`every page of ${template}, and every design of its on every tone, is on a sheet what is published, box for box`, async ({
    context,
  }) => {
    const [sheet, release] = [await context.newPage(), await context.newPage()]
    const site = siteOn(template, {}, 'Client')
    const tally = { boxes: 0, pictures: 0, sections: 0 }
    const pages = [
      ...pagesOf(site.document).map((page) => ({ site, page })),
      ...TONES.map((tone) => designsOn(site, template, tone)),
      inColumns(site, 'medium', true),
    ]
    for (const { site: shown, page } of pages) {
      const { html, pictures } = renderPage(shown, page, FILES)
      for (const isLoaded of page.id === 'home' && shown === site ? [false, true] : [true]) {
        await showOn(sheet, sheetHtml(shown, page), isLoaded ? sheetPicture : null)
        await showOn(release, withStyles(shown, html, false), isLoaded ? (path) => pictures.get(path) ?? null : null)
        for (const { width, name } of SHEETS) {
          let here: readonly Box[] = []
          // A browser that chooses another file for a width shows it a moment later.
          const differ = async (): Promise<string[]> => {
            const both = await Promise.all([boxesAt(sheet, width, isLoaded), boxesAt(release, width, isLoaded)])
            here = both[0]
            return differences(...both)
          }
          await expect.poll(differ, `${page.id} on the ${name}, ${isLoaded ? 'with' : 'before its'} pictures`).toEqual([])
          tally.boxes += here.length
          tally.pictures += here.filter((b) => b.name.startsWith('img')).length
        }
      }
      tally.sections += allOf(fillPage(shown, page)).length
    }
    expect(tally.sections).toBeGreaterThan(20)
    expect(Math.min(tally.boxes / 20, tally.pictures)).toBeGreaterThan(20)
  })
}

function sheetHtml(site: Site, page: SitePage): string {
  const drawn = makeSheetPainter()({ ...site, mode: 'sheet' }, page)
  expect(allOf(drawn).length).toBeGreaterThan(2)
  return (
    `<!doctype html><html lang="${drawn.language}"><head><style>${drawn.styles.tokens}</style>` +
    `<style>${drawn.styles.designs}</style><style>${SHEET_CSS}</style></head>` +
    `<body>${bodyHtml(drawn, (section) => section.html)}</body></html>`
  )
}

/** The size of a picture that a sheet asks for: asset, frame, focus, width. All of the test's pictures are 3 to 2. */
const sheetPicture: SizeOf = (path) => {
  const [, frame, , file] = /^media\/[^/]+\/([^/]+)\/([^/]+)\/(\d+)\./.exec(path) ?? []
  const ratio = parseRatio(frame === 'whole' ? '3:2' : (frame ?? '').replace('x', ':'))
  return file && ratio ? { width: Number(file), height: Math.round(Number(file) / ratio) } : null
}

/** Shows a page, its pictures of the size that they have there, or still on their way. */
async function showOn(page: Page, html: string, sizeOf: SizeOf | null): Promise<void> {
  const missing: string[] = []
  await page.unrouteAll()
  // What is never answered is on its way for as long as the page is looked at.
  if (!sizeOf) await page.route(/\.(webp|jpg)$/, () => undefined)
  await showHtml(page, html, (path) => {
    const size = sizeOf?.(path) ?? null
    if (!size) missing.push(path)
    return size
  })
  expect(missing).toEqual([])
}

type Box = { readonly name: string; readonly at: readonly number[]; readonly look: string }

/** Every element of a page at a width in the order of the document: where it stands, and in what colours. */
async function boxesAt(page: Page, width: number, isLoaded: boolean): Promise<readonly Box[]> {
  await page.setViewportSize({ width, height: 900 })
  // As one string: thousands of boxes travel many times faster so.
  const told = await page.evaluate(async (isLoaded) => {
    const pictures = isLoaded ? [...document.images] : []
    pictures.forEach((img) => (img.loading = 'eager'))
    await Promise.all(pictures.map((img) => img.decode().catch(() => null)))
    const boxes = [...document.querySelectorAll<HTMLElement>('body *:not(.skip)')].map((element) => {
      const { x, y, width, height } = element.getBoundingClientRect()
      const style = getComputedStyle(element)
      const img = element instanceof HTMLImageElement ? (element.naturalWidth / element.naturalHeight).toFixed(1) : ''
      return {
        name: `${element.tagName.toLowerCase()}.${element.className}`,
        at: [x, y, width, height],
        look: [style.color, style.backgroundColor, style.backgroundImage, style.objectFit, style.objectPosition, style.fontSize, img].join(
          ' ',
        ),
      }
    })
    return JSON.stringify(boxes)
  }, isLoaded)
  return JSON.parse(told) as Box[]
}

/** The first few boxes that are not where the others are, or not in their colours. */
function differences(here: readonly Box[], there: readonly Box[]): string[] {
  return Array.from({ length: Math.max(here.length, there.length) }, (_, i) => [here[i], there[i]] as const)
    .filter(([a, b]) => a?.name !== b?.name || a?.look !== b?.look || a?.at.some((n, k) => Math.abs(n - (b?.at[k] ?? 0)) > 1))
    .slice(0, 3)
    .map((pair) => pair.map((box) => JSON.stringify(box)).join(' on the sheet, published '))
}
