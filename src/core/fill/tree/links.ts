import { isSafeUrl, printedUrl } from '../../pack'
import { filePath, relativePath, rootFrom, weightOf } from '../../pages'
import {
  findPage,
  findSection,
  isHidden,
  pagesOf,
  standsOn,
  toTelUri,
  findFactFault,
  fitWords,
  type FileTarget,
  type LinkTarget,
  type Page,
  type Section,
  type SiteDocument,
} from '../../site'
import { phoneCountry, shownFact } from '../shown-fact'
import { ownWord } from '../labels'
import type { PageScope } from './page-scope'
import { plain, type FilledNode } from './tree'

/** The page that a link names: by its id, or, as a template's own links do, by the key of the page that it was made from. */
export function linkedPage(document: SiteDocument, name: string): Page | null {
  return findPage(document, name) ?? pagesOf(document).find((p) => p.origin?.page === name) ?? null
}

/** Where a link leads from the page in hand; `#` where its page or fact is gone, which a check reports. */
export function linkHref(scope: PageScope, to: LinkTarget): string {
  const { document } = scope.site
  if (to.type === 'page') return pageHref(scope, linkedPage(document, to.page))
  if (to.type === 'section') return sectionHref(scope, findSection(document, to.section))
  if (to.type === 'file') return fileHref(scope, to)
  return to.type === 'fact' ? factHref(scope, to.fact) : isSafeUrl(to.url) ? printedUrl(to.url) : '#'
}

function pageHref({ site: { document, root }, page: from }: PageScope, page: Page | null): string {
  return page && !isHidden(document, page) ? relativePath(document, from, page, root) : '#'
}

function fileHref({ site: { document, root }, page }: PageScope, file: FileTarget): string {
  return rootFrom(document, page, root) + filePath(file)
}

/** A section by the name it is found by; without one, the page it stands on. */
function sectionHref(scope: PageScope, section: Section | null): string {
  if (!section || section.in.type !== 'page') return '#'
  const { document } = scope.site
  const page = findPage(document, section.in.page)
  const stands = page && standsOn(document, page)
  if (section.anchor === undefined || !stands) return page !== null && page === scope.page ? './' : pageHref(scope, page)
  const place = `#${section.anchor}`
  if (stands === scope.page) return place
  const href = pageHref(scope, stands)
  return href === '#' ? href : href + place
}

/** Where a fact leads that stands as a link: a call, a message, a map. */
export function factHref(scope: PageScope, fact: string): string {
  const { text } = shownFact(scope.site, fact as 'phone')
  if (text === '') return '#'
  if (fact === 'phone') return toTelUri(text, phoneCountry(scope.site))
  if (fact === 'email') return findFactFault('email', text) === null ? `mailto:${mailAddress(text)}` : '#'
  // RFC 5870 has no address search; a map search by https works in every browser and map application.
  return `https://www.openstreetmap.org/search?query=${encodeURIComponent(fitWords(text))}`
}

/** An email address as a link says it (RFC 6068, 2: what parts a URI is encoded). */
function mailAddress(text: string): string {
  return encodeURI(fitWords(text.trim())).replaceAll(/[?#&]/g, encodeURIComponent)
}

/** Of a file, its kind and weight, for whoever pays for what is fetched. */
export function fileAside(to: LinkTarget): readonly FilledNode[] {
  return to.type === 'file' ? [plain('span', [` (PDF, ${weightOf(to.bytes)})`])] : []
}

/** That a link opens a tab of its own, for whoever hears the page (WCAG 2.2, technique G201). */
export function newTabAside(document: SiteDocument): FilledNode {
  return plain('span', [` (${ownWord(document, 'new-tab')})`], { class: 'unseen' })
}
