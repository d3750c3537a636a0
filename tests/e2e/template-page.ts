import type { Frame, Page as BrowserPage } from '@playwright/test'
import { makeDocument, pageTexts, type Site } from '../../src/core/fill'
import { answersOf, getDesign, getTemplate } from '../../src/core/pack'
import { renderBody, renderPage, sheetStyles, type ReleaseFiles } from '../../src/core/render'
import {
  ALTERATION_NAMES,
  ALTERATIONS,
  findPage,
  pagesOf,
  ranks,
  type Brand,
  type ColumnWidth,
  type Dark,
  type Page,
  type PageId,
  type Section,
  type SectionId,
  type Side,
  type Tone,
} from '../../src/core/site'
import { testAssets, testPack } from '../pack'
import { showHtml } from './site-server'

export const TEMPLATES = ['tallow', 'limewash', 'windrow', 'gantry', 'blank'] as const
/** A site on a template in a brand, as it would be published. */
export function siteOn(template: string, brand: Brand, name: string, dark: Dark = false): Site {
  const document = makeDocument(getTemplate(testPack(), template), { name, socials: ['https://example.social/client'] }, brand)
  return {
    document: dark === false ? document : { ...document, dress: { ...document.dress, dark } },
    pack: testPack(),
    assets: testAssets(),
    mode: 'release',
  }
}

/** One of its pages, whole, with its styles in it; `tokens` can be replaced by those of another brand. */
export function pageHtml(site: Site, id: string): string {
  const page = findPage(site.document, id)
  if (!page) throw new Error(`No page ${id}`)
  return (
    '<!doctype html><html lang="en-GB"><head><meta charset="utf-8"><meta name="viewport" ' +
    `content="width=device-width"><title>${pageTexts(site.pack, site.document, page).name}</title>${styleElements(site)}</head>` +
    `<body>${renderBody(site, page)}</body></html>`
  )
}

/** A page's styles, with its families as they are published: their files are asked for where `serveFonts` answers. */
function styleElements(site: Site, hasFamilies = true): string {
  const { fonts, tokens, designs } = sheetStyles(site)
  return `<style>${hasFamilies ? fonts : ''}</style><style id="tokens">${tokens}</style><style>${designs}</style>`
}

/** What a release knows of its files, for pages that are looked at alone. */
export const FILES: ReleaseFiles = {
  origin: 'https://client.example',
  stylesheet: 'style.css',
  preloads: [],
  icons: { svg: 'a.svg', ico: 'a.ico', touch: 'a.png', manifest: 'a.webmanifest' },
}

/** Each design is tried under the finish of a template that uses it; those that none does under the last one's. */
const homes: ReadonlyMap<string, string> = new Map(
  [...TEMPLATES]
    .toReversed()
    .flatMap((template) =>
      Object.values(siteOn(template, {}, 'Client').document.sections).map(({ kind, design }) => [`${kind}/${design}`, template] as const),
    ),
)

/** A page of every design that is at home on a template, or of every design there is, all on one tone. */
export function designsOn(site: Site, template: string | null, tone: Tone): { site: Site; page: Page } {
  const [page] = pagesOf(site.document)
  const isOf = (design: string): boolean => template === null || (homes.get(design) ?? 'blank') === template
  const designs = Object.values(testPack().designs).filter(
    ({ kind, name }) => isOf(`${kind}/${name}`) && kind !== 'header' && kind !== 'footer',
  )
  const places = ranks(designs.length)
  const made = designs.map(({ kind, name: design }, i): Section => {
    const where = { type: 'page', page: page!.id as PageId } as const
    return { id: `d${i}` as SectionId, in: where, rank: places[i]!, kind, design, tone, origin: null, slots: {} }
  })
  const shared = Object.values(site.document.sections).filter((s) => s.in.type !== 'page')
  const sections = Object.fromEntries([...shared, ...made].map((s) => [s.id, s]))
  return { site: { ...site, document: { ...site.document, sections } }, page: page! }
}

/** A page of every section that a site's pages have, each kind, design and tone once: what is judged on it need not be on every page. */
export function distinctSections(site: Site): { site: Site; page: Page } {
  const [page] = pagesOf(site.document)
  const all = Object.values(site.document.sections)
  const distinct = new Map(
    all.flatMap((one) => (one.in.type === 'page' ? [[`${one.kind}/${one.design}/${one.tone}`, one] as const] : [])).toReversed(),
  )
  const places = ranks(distinct.size)
  const placed = [...distinct.values()]
    .toReversed()
    .map((one, i): Section => ({ ...one, in: { type: 'page', page: page!.id as PageId }, rank: places[i]! }))
  const shared = all.filter((one) => one.in.type !== 'page')
  const sections = Object.fromEntries([...shared, ...placed].map((one) => [one.id, one]))
  return { site: { ...site, document: { ...site.document, sections } }, page: page! }
}

/** A published page with its styles in it; without its families where another page is to be set in the same letters as this one. */
export function withStyles(site: Site, html: string, hasFamilies = true): string {
  return html.replace('<head>', `<head>${styleElements(site, hasFamilies)}`)
}

/** Has every picture of a page there, near or far. */
export async function loadPictures(page: BrowserPage | Frame): Promise<void> {
  await page.evaluate(async () => {
    document.querySelectorAll('img').forEach((img) => (img.loading = 'eager'))
    await Promise.all([...document.images].map((img) => img.decode().catch(() => null)))
  })
}

/** Opens a page as it would be published, with a flat picture in every frame. */
export async function showPublished(page: BrowserPage | Frame, site: Site, of: Page): Promise<void> {
  await showHtml(page, withStyles(site, renderPage(site, of, FILES).html))
}

/**
 * A site whose home page has columns at its sides: every design that can stand narrow in the one at the start, every other under what opens
 * the page beside it, and one section at the end where there is to be a column too.
 */
export function inColumns(site: Site, width: ColumnWidth, hasBoth: boolean): { site: Site; page: Page } {
  const all = designsOn(site, null, 'paper')
  const column = (side: Side) => ({ type: 'side', side, page: all.page.id }) as const
  const isNarrow = ({ kind, design }: Section): boolean => getDesign(site.pack, kind, design).narrow === true
  const sections = Object.values(all.site.document.sections)
  const end = sections.find((section) => isNarrow(section) && section.kind === 'contact')
  const moved = sections.map((section): Section => {
    if (section === end && hasBoth) return { ...section, in: column('end') }
    return isNarrow(section) ? { ...section, in: column('start') } : section
  })
  const page: Page = { ...all.page, startColumn: { width }, ...(hasBoth ? { endColumn: { width } } : {}) }
  const document = {
    ...all.site.document,
    pages: { ...all.site.document.pages, [page.id]: page },
    sections: Object.fromEntries(moved.map((section) => [section.id, section])),
  }
  return { site: { ...all.site, document }, page }
}

/** As many cuts as the alteration with most settings has: each setting of each alteration is in one of them at least. */
export const CUTS = Math.max(...Object.values(ALTERATIONS).map((settings) => settings.length))

/** Every section altered in every way that its design answers to, each by the nth of its settings. */
export function cut(site: Site, nth: number): Site {
  const { css } = getTemplate(site.pack, site.document.dress.template)
  const altered = Object.entries(site.document.sections).map(([id, section]): [string, Section] => {
    const answers = answersOf(getDesign(site.pack, section.kind, section.design), css)
    const parts = ALTERATION_NAMES.flatMap((name) => {
      const settings = answers[name] ?? []
      return settings.length === 0 ? [] : [[name, settings[nth % settings.length]]]
    })
    return [id, { ...section, ...Object.fromEntries(parts) } as Section]
  })
  return { ...site, document: { ...site.document, sections: Object.fromEntries(altered) } }
}
