import { designKey } from '../pack'
import { allSections, findPage, type Brand, type Page, type Place, type Section, type SiteDocument } from '../site'
import { fillSection, pageSections, type PageParts, type Site } from '../fill'
import { fontFaceCss } from '../type'
import { attribute } from './html/escape'
import { sectionHtml } from './html/to-html'
import { openPage } from './page-writer'
import { renderBody } from './render-page'
import { familyFaces, siteFamilies } from './site-type'
import { designCss, tokenCss } from './styles'

/** The three style sheets of a draft, apart so that a change of colour replaces the smallest one only. */
export type DraftStyles = { readonly fonts: string; readonly tokens: string; readonly designs: string }

export function draftStyles(site: Site): DraftStyles {
  return { fonts: fontFaceCss(siteFamilies(site).all.flatMap(familyFaces)), tokens: tokenCss(site), designs: designCss(site) }
}

/** One page of a draft as a document of its own. */
export function renderDraftPage(site: Site, page: Page): string {
  const css = draftStyles(site)
  return `<!doctype html><html${attribute('lang', site.document.language)}><head><meta charset="utf-8"><title>Draft</title><meta name="robots" content="noindex"><meta name="viewport" content="width=device-width">
<style id="fonts">${css.fonts}</style><style id="tokens">${css.tokens}</style><style id="designs">${css.designs}</style></head><body>${renderBody(site, page)}</body></html>`
}

/** A page as the sheets show it: each section's HTML apart, so that only what changed is drawn again. */
export type DraftFrame = PageParts<DraftSection> & { readonly page: string; readonly language: string; readonly styles: DraftStyles }
/** A section's HTML, and the places that its marks name. */
export type DraftSection = { readonly id: string; readonly html: string; readonly places: ReadonlyMap<string, Place> }

/** Draws frames one after another; style sheets are made again only when colours, designs or tones changed. */
export function makeDraftPainter(): (site: Site, page: Page) => DraftFrame {
  const styles = makeStylist()
  return (site, page) => {
    const { header, main, footer } = pageSections(site, page)
    const writer = openPage(site, page)
    const draw = (section: Section): DraftSection => {
      writer.places.clear()
      return { id: section.id, html: drawSection(site, page, section, writer), places: new Map(writer.places) }
    }
    return {
      page: page.id,
      language: site.document.language,
      styles: styles(site),
      header: header.map(draw),
      main: main.map(draw),
      footer: footer.map(draw),
    }
  }
}

/** A section that cannot be drawn, whatever the reason, leaves a marked gap; everything beside it is drawn. */
function drawSection(site: Site, page: Page, section: Section, writer: ReturnType<typeof openPage>): string {
  try {
    return sectionHtml(writer, fillSection({ site, page }, section))
  } catch (error) {
    console.error(`The section ${section.id} could not be drawn`, error)
    return `<section class="undrawn"${attribute('data-section', section.id)}><p>This section cannot be drawn.</p></section>`
  }
}

function makeStylist(): (site: Site) => DraftStyles {
  let sections: SiteDocument['sections'] | null = null
  let key = ''
  let dress: SiteDocument['dress'] | null = null
  let brand: Brand | null = null
  let styles: DraftStyles = { fonts: '', tokens: '', designs: '' }
  return (site) => {
    const { document } = site
    if (document.sections === sections && document.brand === brand && document.dress === dress) return styles
    const { template, scheme, dark } = document.dress
    const looks = new Set(allSections(document).map((s) => `${designKey(s.kind, s.design)} ${s.tone}`))
    const next = [template, scheme, dark, ...looks].join('|')
    if (next !== key) styles = draftStyles(site)
    else if (document.brand !== brand) styles = { ...draftStyles({ ...site }), designs: styles.designs }
    ;({ sections, dress, brand } = document)
    key = next
    return styles
  }
}

/** The same page with the template's content in every place: what its designer measured it for. */
export function asDesigned(site: Site, page: Page): { readonly site: Site; readonly page: Page } {
  const sections = Object.fromEntries(Object.entries(site.document.sections).map(([id, section]) => [id, { ...section, slots: {} }]))
  const document = { ...site.document, facts: {}, sections, entries: {} }
  return { site: { ...site, document }, page: findPage(document, page.id) ?? page }
}
