import { allSections, type Brand, type Page, type Section } from '../site'
import { fontFaceCss } from '../type'
import { attribute } from './escape'
import { renderBody } from './render-page'
import { renderSection } from './render-section'
import { openPage, type Site } from './site'
import { familyFaces, siteFamilies } from './site-type'
import { designCss, tokenCss } from './styles'

/** The three style sheets of a draft, apart so that a change of colour replaces the smallest one only. */
export function draftStyles(site: Site): { readonly fonts: string; readonly tokens: string; readonly designs: string } {
  return { fonts: fontFaceCss(siteFamilies(site).all.flatMap(familyFaces)), tokens: tokenCss(site), designs: designCss(site) }
}

/** One page of a draft as a document of its own. */
export function renderDraftPage(site: Site, page: Page): string {
  const css = draftStyles(site)
  return `<!doctype html><html${attribute('lang', site.document.language)}><head><meta charset="utf-8"><title>Draft</title><meta name="robots" content="noindex"><meta name="viewport" content="width=device-width">
<style id="fonts">${css.fonts}</style><style id="tokens">${css.tokens}</style><style id="designs">${css.designs}</style></head><body>${renderBody(openPage(site, page))}</body></html>`
}

/** A page as the sheets show it: each section's HTML apart, so that only what changed is drawn again. */
export type DraftFrame = {
  readonly page: string
  readonly language: string
  readonly styles: { readonly fonts: string; readonly tokens: string; readonly designs: string }
  readonly header: DraftSection
  readonly sections: readonly DraftSection[]
  readonly footer: DraftSection
}
export type DraftSection = { readonly id: string; readonly html: string }

/** Draws frames one after another; style sheets are made again only when colours, designs or tones changed. */
export function makeDraftPainter(): (site: Site, page: Page) => DraftFrame {
  let styledFor = ''
  let styledBrand: Brand | null = null
  let styles: DraftFrame['styles'] = { fonts: '', tokens: '', designs: '' }
  return (site, page) => {
    const { document } = site
    const { template, scheme, dark } = document
    const key = [template, scheme, dark, ...allSections(document).map((s) => `${s.kind}/${s.design}/${s.tone}`)].join(' ')
    if (key !== styledFor || document.brand !== styledBrand) {
      const isOnlyBrand = key === styledFor
      styles = isOnlyBrand ? { fonts: fontFaceCss(siteFamilies(site).all.flatMap(familyFaces)), tokens: tokenCss(site), designs: styles.designs } : draftStyles(site)
      styledFor = key
      styledBrand = document.brand
    }
    const scope = openPage(site, page)
    const draw = (section: Section): DraftSection => ({ id: section.id, html: renderSection(scope, section) })
    return { page: page.id, language: document.language, styles, header: draw(document.header), sections: page.sections.map(draw), footer: draw(document.footer) }
  }
}

/** The same page with the template's content in every place: what its designer measured it for. */
export function asDesigned(site: Site, page: Page): { readonly site: Site; readonly page: Page } {
  const bare = (section: Section): Section => ({ ...section, slots: {} })
  const pages = site.document.pages.map((p) => ({ ...p, sections: p.sections.map(bare) }))
  const document = { ...site.document, facts: {}, header: bare(site.document.header), footer: bare(site.document.footer), pages }
  return { site: { ...site, document }, page: pages.find((p) => p.id === page.id) ?? page }
}
