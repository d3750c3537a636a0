import { getTemplate, type Pack } from '../pack'
import { factsOf, homePage, type Page, type SiteDocument } from '../site'
import { findTemplatePage } from './placeholders'

export type PageTexts = { readonly name: string; readonly title: string; readonly description: string }

/** A page's own texts, over the template's. */
export function pageTexts(pack: Pack, document: SiteDocument, page: Page): PageTexts {
  const from = findTemplatePage(pack, page.origin)?.page
  const facts = factsOf(document)
  const name = page.texts.name?.text ?? from?.name ?? 'Page'
  const business = facts.name ?? getTemplate(pack, document.dress.template).facts.name
  const computed = page.id === homePage(document).id ? [business, facts.tagline].filter(Boolean).join(' – ') : `${name} – ${business}`
  return { name, title: page.texts.title?.text ?? computed, description: page.texts.description?.text ?? from?.description ?? '' }
}

/** The same as if nobody had given the page a text of its own. */
export function templateTexts(pack: Pack, document: SiteDocument, page: Page): PageTexts {
  return pageTexts(pack, document, { ...page, texts: {} })
}
