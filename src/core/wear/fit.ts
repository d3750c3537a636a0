import { getTemplate, type Pack, type Template, type TemplatePage, type TemplateSection } from '../pack'
import { APART_IDS, findTemplatePage } from '../fill'
import {
  entriesOf,
  isFollowed,
  homePage,
  pagesOf,
  sectionsOfPage,
  sectionsOn,
  type Apart,
  type Page,
  type Section,
  type SectionId,
  type SectionOrigin,
  type SiteDocument,
} from '../site'
import { arrangementOf, onEach, toStanding, type ArrangedPage, type Arrangement, type Standing } from './arrangement'

/** True for a section in which the client has something, or that others follow. */
export function hasContent(document: SiteDocument, section: Section): boolean {
  const { id, same, slots } = section
  return same !== undefined || Object.keys(slots).length > 0 || entriesOf(document, id).length > 0 || isFollowed(document, id)
}

/** True for a page that holds anything of the client's: words of its own, or a section with content. */
export function isPageFilled(document: SiteDocument, page: Page): boolean {
  return Object.keys(page.texts).length > 0 || sectionsOfPage(document, page.id).some((s) => hasContent(document, s))
}

/** Kinds that stand on pages of every sort, and so tell nothing of what a page is about. */
const COMMON_KINDS = new Set(['title', 'hero', 'action', 'notice', 'story'])

/**
 * The arrangement of a document on another template. Pages stay as they are, in their order; each takes the shape of the
 * new template's page that is most like it. A section finds the new page's place for its kind; one with content that has
 * no place there stays where it was, in a design of the new template's where there is one; one without content leaves.
 */
export function fitTo(pack: Pack, document: SiteDocument, id: string): Arrangement {
  const template = getTemplate(pack, id)
  const fitted = new Map(pairPages(pack, document, template).map(([page, like]) => [page.id, like]))
  const used = new Set<string>(Object.keys(document.sections))
  const now = arrangementOf(document)
  const pages = now.pages.map(({ page }): ArrangedPage => {
    const like = fitted.get(page.id)
    const fit = { document, template, page, sections: sectionsOn(document, page.id), used }
    if (!like) return { page, sections: fit.sections.map((s) => redress(fit, s)) }
    return { page: { ...page, origin: { template: id, page: like.key } }, sections: fillPage(fit, like) }
  })
  const { scheme, dark } = document.dress
  return {
    dress: { template: id, ...(scheme?.startsWith('general/') ? { scheme } : {}), ...(dark === undefined ? {} : { dark }) },
    apart: onEach((type) => dressApart(now.apart[type], type, template)),
    pages,
    outfits: document.outfits,
  }
}

type Fit = {
  readonly document: SiteDocument
  readonly template: Template
  readonly page: Pick<Page, 'id'>
  readonly sections: readonly Section[]
  readonly used: Set<string>
}

function dress(from: TemplateSection, origin: SectionOrigin): Pick<Standing, 'design' | 'tone' | 'origin'> {
  return { design: from.design, tone: from.tone, origin }
}

/** What stands on no page of its own takes the template's dress for it; where nothing stands yet, the template's section does. */
function dressApart(now: readonly Standing[], type: Apart, template: Template): readonly Standing[] {
  const from = template[type]
  const worn = dress(from, { template: template.id, page: null, section: from.key })
  if (now.length === 0) return [{ id: APART_IDS[type], kind: from.kind, rank: null, ...worn }]
  return now.map((s) => (s.kind === from.kind ? { ...s, ...worn } : s))
}

/** Which page of the template each page of the site is most like: by key first, then by the kinds of section they share. */
export function pairPages(pack: Pack, document: SiteDocument, template: Template): readonly (readonly [Page, TemplatePage])[] {
  const keyOf = (page: Page): string => findTemplatePage(pack, page.origin)?.page.key ?? page.segment
  const pairs = new Map<Page, TemplatePage>()
  const free = new Set(template.pages)
  const pair = (page: Page, like: TemplatePage | undefined): void => {
    if (!like || !free.has(like)) return
    pairs.set(page, like)
    free.delete(like)
  }
  pair(homePage(document), template.pages[0])
  for (const page of pagesOf(document)) {
    if (!pairs.has(page))
      pair(
        page,
        [...free].find((t) => t.key === keyOf(page)),
      )
  }
  for (const page of pagesOf(document)) {
    if (pairs.has(page)) continue
    const likes = [...free].map((t) => ({ t, shared: sharedKinds(document, page, t) })).filter((l) => l.shared > 0)
    pair(page, likes.sort((a, b) => b.shared - a.shared)[0]?.t)
  }
  return [...pairs]
}

function sharedKinds(document: SiteDocument, page: Page, like: TemplatePage): number {
  const kinds = new Set(
    sectionsOn(document, page.id)
      .map((s) => s.kind as string)
      .filter((k) => !COMMON_KINDS.has(k)),
  )
  return new Set(like.sections.map((s) => s.kind as string).filter((k) => kinds.has(k))).size
}

/** The sections of a page in the order of the template's page, and what the client has beyond it after what it stood after. */
function fillPage(fit: Fit, like: TemplatePage): Standing[] {
  const left = new Set(fit.sections)
  const isFilled = (s: Section): boolean => hasContent(fit.document, s)
  // A filled section goes before an empty one of its kind.
  const take = (kind: string): Section | undefined =>
    [...left].find((s) => s.kind === kind && isFilled(s)) ?? [...left].find((s) => s.kind === kind)
  const placed = like.sections.map((wanted): Standing => {
    const found = take(wanted.kind)
    if (found) left.delete(found)
    const origin = { template: fit.template.id, page: like.key, section: wanted.key }
    return { id: found?.id ?? newId(fit, wanted.key), kind: wanted.kind, rank: found?.rank ?? null, ...dress(wanted, origin) }
  })
  for (const section of fit.sections)
    if (left.has(section) && isFilled(section)) keepAfter(placed, fit.sections, section, redress(fit, section))
  return placed
}

/** Puts a section that has no place of its own after what it stood after; before everything else there is the page's own heading. */
export function keepAfter(placed: Standing[], was: readonly Section[], section: Section, standing: Standing): void {
  const before = new Set(was.slice(0, was.indexOf(section)).map((s) => s.id))
  const at = placed.findLastIndex((s) => before.has(s.id))
  placed.splice(Math.max(1, at + 1), 0, standing)
}

/** A section kept as it is, in a design that the new template has for its kind on some page, or else in its own. */
function redress({ template }: Fit, section: Section): Standing {
  for (const other of template.pages) {
    const same = other.sections.find((s) => s.kind === section.kind)
    if (same) return { ...toStanding(section), ...dress(same, { template: template.id, page: other.key, section: same.key }) }
  }
  return toStanding(section)
}

/** An id that no section of the site has, made from the page and the template's key: the same each time it is asked for. */
function newId({ page, template, used }: Fit, key: string): SectionId {
  const tries = [`${page.id}.${key}`, `${page.id}.${template.id}-${key}`]
  for (let n = 2; ; n++) {
    const id = (tries.shift() ?? `${page.id}.${template.id}-${key}-${n}`).slice(-64).replace(/^[^A-Za-z0-9]+/, '')
    if (used.has(id)) continue
    used.add(id)
    return id as SectionId
  }
}
