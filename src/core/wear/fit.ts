import { findTemplatePage, getTemplate, type Pack, type Template, type TemplatePage, type TemplateSection } from '../pack'
import { arrangementOf, homePage, type Arrangement, type Page, type PlacedPage, type PlacedSection, type Section, type SectionId, type SiteDocument } from '../site'

/** True for a section in which the client has something. */
export function hasContent(section: Section): boolean {
  return Object.keys(section.slots).length > 0
}

/** True for a page that holds anything of the client's: words of its own, or a section with content. */
export function isPageFilled(page: Page): boolean {
  return page.name !== undefined || page.title !== undefined || page.description !== undefined || page.sections.some(hasContent)
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
  const used = new Set<string>([...document.pages.flatMap((p) => p.sections.map((s) => s.id as string)), 'header', 'footer'])
  const pages = document.pages.map((page): PlacedPage => {
    const like = fitted.get(page.id)
    const fit = { pack, template, was: document.template, page, used }
    return { ...page, from: like ? like.key : foreignFrom(document.template, page.from, id), sections: like ? fillPage(fit, like) : page.sections.map((s) => redress(fit, s)) }
  })
  const { worn: _, scheme, ...rest } = arrangementOf(document)
  return {
    ...rest,
    template: id,
    ...(scheme?.startsWith('general/') ? { scheme } : {}),
    header: { ...rest.header, ...dress(template.header) },
    footer: { ...rest.footer, ...dress(template.footer) },
    pages,
  }
}

type Fit = { readonly pack: Pack; readonly template: Template; readonly was: string; readonly page: Page; readonly used: Set<string> }

function dress({ design, tone, key }: TemplateSection): Pick<PlacedSection, 'design' | 'tone' | 'from'> {
  return { design, tone, from: key }
}

/** `key` of one template, as another one's pages name it; without the template's name once it is the site's own again. */
export function foreignFrom(template: string, from: string | null, site: string): string | null {
  if (from === null) return null
  const [origin, key] = from.includes('/') ? from.split('/') : [template, from]
  return origin === site ? (key ?? null) : `${origin}/${key}`
}

/** Which page of the template each page of the site is most like: by key first, then by the kinds of section they share. */
export function pairPages(pack: Pack, document: SiteDocument, template: Template): readonly (readonly [Page, TemplatePage])[] {
  const keyOf = (page: Page): string => findTemplatePage(pack, document.template, page.from)?.page.key ?? page.segment
  const home = homePage(document)
  const pairs = new Map<Page, TemplatePage>()
  const free = new Set(template.pages)
  const pair = (page: Page, like: TemplatePage | undefined): void => {
    if (!like || !free.has(like)) return
    pairs.set(page, like)
    free.delete(like)
  }
  pair(home, template.pages[0])
  for (const page of document.pages) if (!pairs.has(page)) pair(page, [...free].find((t) => t.key === keyOf(page)))
  for (const page of document.pages) {
    if (pairs.has(page)) continue
    const likes = [...free].map((t) => ({ t, shared: sharedKinds(page, t) })).filter((l) => l.shared > 0)
    pair(page, likes.sort((a, b) => b.shared - a.shared)[0]?.t)
  }
  return [...pairs]
}

function sharedKinds(page: Page, like: TemplatePage): number {
  const kinds = new Set(page.sections.map((s) => s.kind as string).filter((k) => !COMMON_KINDS.has(k)))
  return new Set(like.sections.map((s) => s.kind as string).filter((k) => kinds.has(k))).size
}

/** The sections of a page in the order of the template's page, and what the client has beyond it after what it stood after. */
function fillPage(fit: Fit, like: TemplatePage): PlacedSection[] {
  const left = new Set(fit.page.sections)
  // A filled section goes before an empty one of its kind.
  const take = (kind: string): Section | undefined => [...left].find((s) => s.kind === kind && hasContent(s)) ?? [...left].find((s) => s.kind === kind)
  const placed = like.sections.map((wanted): PlacedSection => {
    const found = take(wanted.kind)
    if (found) left.delete(found)
    return { id: found?.id ?? newId(fit, wanted.key), kind: wanted.kind, ...dress(wanted) }
  })
  for (const section of fit.page.sections) {
    if (!left.has(section) || !hasContent(section)) continue
    const before = fit.page.sections.slice(0, fit.page.sections.indexOf(section)).map((s) => s.id)
    const at = Math.max(-1, ...placed.map((s, i) => (before.includes(s.id) ? i : -1)))
    // Before everything else there is the page's own heading.
    placed.splice(Math.max(1, at + 1), 0, redress(fit, section))
  }
  return placed
}

/** A section kept as it is, in a design that the new template has for its kind on some page, or else in its own. */
function redress({ template, was, page }: Fit, section: Section): PlacedSection {
  const { slots: _, ...place } = section
  for (const other of template.pages) {
    const same = other.sections.find((s) => s.kind === section.kind)
    if (same) return { ...place, design: same.design, tone: same.tone, from: `${template.id}/${other.key}/${same.key}` }
  }
  const origin = section.from === null || section.from.includes('/') || page.from === null ? section.from : `${page.from.includes('/') ? page.from : `${was}/${page.from}`}/${section.from}`
  return { ...place, from: origin }
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
