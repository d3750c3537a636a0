import { expect, test } from './test'
import { sectionRows, type LedgerRow, type Site } from '../../src/core/fill'
import { bodyHtml, makeSheetPainter } from '../../src/core/render'
import { applyEdit, sectionsOn, type EditStep, type Page as SitePage, type SiteDocument, type SlotValue } from '../../src/core/site'
import { designsOn, siteOn, TEMPLATES } from './template-page'
import { hiddenWindow, showHtml, widen } from './site-server'

const UNBROKEN = 'Donaudampfschifffahrtsgesellschaftskapitänsmützenabzeichenverleihungsurkundenmappe'
const WORDS =
  'Restoration of longcase clocks, barometers and musical boxes for the whole of the county, whatever stopped them and whenever '
const WIDTHS = [320, 390, 600, 735, 736, 820, 928, 1280, 1920]

const TEXTS: Readonly<Record<string, string>> = { 'one word of 80 letters': UNBROKEN, 'words without an end': WORDS.repeat(3).trim() }

for (const template of TEMPLATES)
  for (const [name, text] of Object.entries(TEXTS))
    test(`${name} in every place break no design of ${template}: nothing is wider than the window, cut, or on top of other words`, async ({
      page,
    }) => {
      const designs = designsOn(siteOn(template, {}, 'Client'), template, 'paper')
      const site: Site = { ...designs.site, mode: 'sheet', document: filled(designs.site, designs.page, text) }
      const shown = await hiddenWindow(page)
      await showHtml(shown, sheetHtml(site, designs.page))
      const faults: string[] = []
      for (const width of WIDTHS) {
        await widen(shown, width)
        for (const fault of await shown.evaluate(findFaults)) faults.push(`${width} px: ${fault}`)
      }
      expect(faults).toEqual([])
    })

/** Every text of a page's sections is the same: far too long. */
function filled({ pack, document }: Site, page: SitePage, text: string): SiteDocument {
  const valueOf = ({ type, placeholder }: LedgerRow): SlotValue | null => {
    if (type === 'text') return { type: 'text', text }
    if (type === 'rich') return { type: 'rich', rich: [{ type: 'p', runs: [{ text }] }] }
    return type === 'link' && placeholder?.type === 'link' ? { ...placeholder, label: text } : null
  }
  const edits = sectionsOn(document, page.id).flatMap((section) =>
    sectionRows(pack, document, section).flatMap((row): EditStep[] => {
      const value = valueOf(row)
      const { section: id, entry, slot } = row.place
      return value ? [{ type: 'slot/set', section: id, entry, slot, value }] : []
    }),
  )
  expect(edits.length).toBeGreaterThan(30)
  const applied = applyEdit(document, { type: 'batch', edits })
  if (!applied.ok) throw new Error(applied.problem.code)
  return applied.document
}

function sheetHtml(site: Site, page: SitePage): string {
  const drawn = makeSheetPainter()(site, page)
  return (
    `<!doctype html><html lang="de"><head><style>${drawn.styles.tokens}</style><style>${drawn.styles.designs}</style></head>` +
    `<body>${bodyHtml(drawn, (section) => section.html)}</body></html>`
  )
}

/** In the page: what is wider than the window, cut off by what holds it, or on top of other words. */
function findFaults(): string[] {
  type Line = { readonly rect: DOMRect; readonly top: number; readonly bottom: number; readonly name: string; readonly place: Element }
  type Cutter = { readonly box: DOMRect; readonly across: boolean; readonly down: boolean }
  const faults = new Set<string>()
  const { clientWidth, scrollWidth } = document.documentElement
  if (scrollWidth > clientWidth) faults.add(`scrolls sideways by ${scrollWidth - clientWidth} px`)

  /** What cuts off what reaches out of it: looked up once for each element. */
  const known = new Map<Element, Cutter | null>()
  const cuts = (how: string): boolean => how === 'hidden' || how === 'clip'
  const cutterOf = (element: Element): Cutter | null => {
    let found = known.get(element)
    if (found === undefined) {
      const { overflowX, overflowY } = getComputedStyle(element)
      const [across, down] = [cuts(overflowX), cuts(overflowY)]
      known.set(element, (found = across || down ? { box: element.getBoundingClientRect(), across, down } : null))
    }
    return found
  }

  const sections = new Map<Element, Line[]>()
  const range = document.createRange()
  for (const place of document.querySelectorAll<HTMLElement>('main [data-place]')) {
    const section = place.closest('[data-section]')
    if (!section || place.querySelector('[data-place]') || !place.checkVisibility({ contentVisibilityAuto: true })) continue
    range.selectNodeContents(place)
    const name = `${section.className.split(' ')[0]} ${place.dataset.place?.split(' ').at(-1)}`
    const lines = sections.get(section) ?? []
    sections.set(section, lines)
    for (const rect of range.getClientRects()) {
      const { left, right, top, bottom, width, height } = rect
      if (width <= 1 || height <= 1) continue
      lines.push({ rect, top, bottom, name, place })
      if (left < -1 || right > clientWidth + 1) faults.add(`${name} is out of the window`)
      for (let around = place.parentElement; around && around !== section; around = around.parentElement) {
        const cutter = cutterOf(around)
        if (cutter?.across && (left < cutter.box.left - 1 || right > cutter.box.right + 1)) faults.add(`${name} is cut at its side`)
        if (cutter?.down && (top < cutter.box.top - 2 || bottom > cutter.box.bottom + 2)) faults.add(`${name} is cut at its foot`)
      }
    }
  }
  for (const lines of sections.values()) {
    // From the top down: below the first that begins under a line, none lies on it.
    const sorted = lines.toSorted((a, b) => a.top - b.top)
    for (const [i, a] of sorted.entries())
      for (let j = i + 1; j < sorted.length && sorted[j]!.top < a.bottom; j++) {
        const b = sorted[j]!
        if (a.place === b.place) continue
        const across = Math.min(a.rect.right, b.rect.right) - Math.max(a.rect.left, b.rect.left)
        const down = Math.min(a.bottom, b.bottom) - b.top
        // Boxes of letters are taller than the letters, and lines stand close.
        if (across > 3 && down > Math.min(a.rect.height, b.rect.height) * 0.45) faults.add([a.name, b.name].sort().join(' lies on '))
      }
  }
  return [...faults]
}
