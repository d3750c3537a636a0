import {
  anchorsOf,
  hasColumns,
  looksByName,
  shownSection,
  standsOn,
  siteLanguage,
  type Brand,
  type Look,
  type Page,
  type Section,
  type SiteDocument,
} from '../site'
import {
  contentOf,
  fillSection,
  mapParts,
  pageSections,
  siteDirection,
  type Content,
  type PageParts,
  type PageScope,
  type Site,
  type Typing,
} from '../fill'
import { fontFaceCss } from '../type'
import type { Direction } from '../words'
import { gapHtml, sectionHtml } from './html/to-html'
import { openPage, type MarkedPlace } from './page-writer'
import { languageAttributes, renderBody } from './render-page'
import { familyFaces, siteFamilies } from './site-type'
import { designCss, tokenCss } from './styles'

/** The three style sheets of a page on the sheets, apart so that a change of colour replaces the smallest one only. */
export type SheetStyles = { readonly fonts: string; readonly tokens: string; readonly designs: string }

export function sheetStyles(site: Site): SheetStyles {
  return { ...brandStyles(site), designs: designCss(site) }
}

function brandStyles(site: Site): Pick<SheetStyles, 'fonts' | 'tokens'> {
  return { fonts: fontFaceCss(siteFamilies(site).all.flatMap(familyFaces)), tokens: tokenCss(site) }
}

/** A style sheet as the text of a `style` element: in strings and comments, the only places where it can stand, `<\/` is `</` to CSS. */
export function styleText(css: string): string {
  return css.replaceAll('</', '<\\/')
}

/** One page with its marks as a document of its own. */
export function renderSheetPage(site: Site, page: Page): string {
  const css = sheetStyles(site)
  return `<!doctype html><html${languageAttributes(site)}><head><meta charset="utf-8"><title>Sheet</title>
<meta name="robots" content="noindex"><meta name="viewport" content="width=device-width">
<style id="fonts">${styleText(css.fonts)}</style><style id="tokens">${styleText(css.tokens)}</style>
<style id="designs">${styleText(css.designs)}</style></head>
<body>${renderBody(site, page)}</body></html>`
}

/** A page as the sheets show it: each section's HTML apart, so that only what changed is drawn again. */
export type DrawnPage = PageParts<DrawnSection> & {
  readonly page: string
  readonly language: string
  readonly direction: Direction
  readonly styles: SheetStyles
}
/** A section's HTML, and the places that its marks name. */
export type DrawnSection = { readonly id: string; readonly html: string; readonly places: ReadonlyMap<string, MarkedPlace> }

/** The page with some of its sections alone, across it. */
export function withOnly(page: DrawnPage, sections: readonly DrawnSection[]): DrawnPage {
  return { ...page, header: [], head: [], main: sections, start: [], end: [], footer: [], columns: { start: null, end: null } }
}

/** What a section's HTML is made of besides its own record and those of its entries. */
type Surroundings = readonly unknown[]
type Kept = {
  readonly section: Section
  readonly content: Content
  readonly typing: Typing | null
  readonly as: DrawnSection
}
/** Draws a page; the place that somebody is typing in stays while it is empty. */
export type SheetPainter = (site: Site, page: Page, typing?: Typing | null) => DrawnPage

/**
 * Draws pages one after another. A section is drawn again only when it or something that sections are made of has
 * changed; style sheets only when colours, designs or tones have.
 */
export function makeSheetPainter(): SheetPainter {
  const styles = makeStylist()
  let surroundings: Surroundings = []
  let drawn = new Map<string, Kept>()
  return (site, asked, typing = null) => {
    const page = standsOn(site.document, asked)
    const now = surroundingsOf(site, page)
    if (now.some((one, i) => one !== surroundings[i])) drawn = new Map()
    surroundings = now
    const sections = pageSections(site, page)
    const kept = new Map<string, Kept>()
    const draw = (section: Section): DrawnSection => {
      const shown = shownSection(site.document, section)
      const content = contentOf(site.pack, site.document, shown)
      const here = typing && (typing.section ?? shown.id) === shown.id ? typing : null
      const known = drawn.get(section.id)
      const isAsBefore = known?.section === section && known.content === content && known.typing?.key === here?.key
      const one = isAsBefore ? known : { section, content, typing: here, as: drawSection({ site, page, typing: here }, section) }
      kept.set(section.id, one)
      return one.as
    }
    const parts = mapParts(sections, draw)
    drawn = kept
    return { page: page.id, language: siteLanguage(site.document), direction: siteDirection(site.document), styles: styles(site), ...parts }
  }
}

function surroundingsOf({ document, pack, assets, mode, isMeasured, today, holds, hyphens }: Site, page: Page): Surroundings {
  const { language, dress, facts, brand, labels, pages, signposts, plan } = document
  return [
    isMeasured,
    page,
    pack,
    assets,
    mode,
    today,
    holds,
    hyphens,
    language,
    dress,
    facts,
    brand,
    labels,
    pages,
    signposts,
    plan,
    anchorsOf(document),
  ]
}

/** A section that cannot be drawn, whatever the reason, leaves a marked gap; everything beside it is drawn. */
function drawSection(scope: PageScope, section: Section): DrawnSection {
  const writer = openPage(scope.site, scope.page)
  try {
    return { id: section.id, html: sectionHtml(writer, fillSection(scope, section)), places: writer.places }
  } catch (error) {
    console.error(`The section ${section.id} could not be drawn`, error)
    return { id: section.id, html: gapHtml(section.id, { type: 'fault', name: section.kind }), places: new Map() }
  }
}

function makeStylist(): (site: Site) => SheetStyles {
  let looks: readonly Look[] | null = null
  let dress: SiteDocument['dress'] | null = null
  let onePage: true | undefined
  let isColumned = false
  let menu: Site['menuFrom']
  let brand: Brand | null = null
  let pack: Site['pack'] | null = null
  let language = ''
  let styles: SheetStyles = { fonts: '', tokens: '', designs: '' }
  return (site) => {
    const { document } = site
    const now = looksByName(document)
    const isSamePlan = document.plan.onePage === onePage && hasColumns(document) === isColumned && site.menuFrom === menu
    const isAsBefore = now === looks && document.dress === dress && isSamePlan && site.pack === pack
    if (!isAsBefore) styles = sheetStyles(site)
    else if (document.brand !== brand || siteLanguage(document) !== language) styles = { ...brandStyles(site), designs: styles.designs }
    looks = now
    ;({ dress, brand } = document)
    ;({ onePage } = document.plan)
    isColumned = hasColumns(document)
    menu = site.menuFrom
    language = siteLanguage(document)
    pack = site.pack
    return styles
  }
}

/** The same site with the template's content in every place: what its designer measured its pages for, to be measured again. */
export function asDesigned(site: Site): Site {
  const sections = Object.entries(site.document.sections).map(([id, section]) => [id, { ...section, slots: {} }])
  return {
    ...site,
    document: { ...site.document, facts: {}, sections: Object.fromEntries(sections), entries: {} },
    holds: null,
    isMeasured: true,
  }
}
