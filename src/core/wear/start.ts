import { makeDocument } from '../fill'
import { getTemplate, type Pack, type TemplatePage } from '../pack'
import {
  allSections,
  findPage,
  findSection,
  firstFree,
  homePage,
  pagesOf,
  type Dress,
  type Edit,
  type Page,
  type PageId,
  type PageOrigin,
  type SectionId,
  type SiteDocument,
} from '../site'
import {
  arrangementOf,
  onEach,
  rearrange,
  sameArrangement,
  type ArrangedPage,
  type Arrangement,
  type Standing,
  type StandingPage,
} from './arrangement'
import { hasContent, isPageFilled } from './fit'
import { arrangementOn, editTo } from './wear'

export type StartChoice = {
  readonly template: string
  /** Keys of the template's pages to take; home is always taken. */
  readonly pages: readonly string[]
  /** Sections of theirs to leave out, as `page/section` by the template's keys; a page keeps its first. */
  readonly without?: readonly string[]
  readonly scheme: string | null
  readonly dark: NonNullable<Dress['dark']> | false
}

/** True while nothing of the client's is on any page. */
export function isUnfilled(document: SiteDocument): boolean {
  return !allSections(document).some((s) => hasContent(document, s)) && !pagesOf(document).some((p) => isPageFilled(document, p))
}

/** True for a site on which nobody has done anything yet: nothing filled, nothing chosen, nothing moved. */
export function isAsItCame(pack: Pack, document: SiteDocument): boolean {
  const fresh = makeDocument(getTemplate(pack, document.dress.template), {}, {})
  return (
    isUnfilled(document) && Object.keys(document.outfits).length === 0 && sameArrangement(arrangementOf(document), arrangementOf(fresh))
  )
}

/** The site started on a template with the chosen pages and scheme. Pages that hold anything of the client's stay. */
export function startOn(pack: Pack, document: SiteDocument, choice: StartChoice): SiteDocument {
  const template = getTemplate(pack, choice.template)
  const isTaken = (page: TemplatePage): boolean => page === template.pages[0] || choice.pages.includes(page.key)
  const dress: Dress = {
    template: template.id,
    ...(choice.scheme === null ? {} : { scheme: choice.scheme }),
    ...(choice.dark ? { dark: choice.dark } : {}),
  }
  const fromTemplate = ({ origin }: StandingPage): TemplatePage | undefined =>
    origin?.template === template.id ? template.pages.find((t) => t.key === origin.page) : undefined
  if (isAsItCame(pack, document)) {
    const fresh = arrangementOf(makeDocument(template, {}, {}))
    const pages = fresh.pages.filter(({ page }) => [fromTemplate(page)].some((t) => t && isTaken(t)))
    return rearrange(document, leaveOut(document, { ...fresh, dress, pages }, choice))
  }
  const worn = arrangementOn(pack, document, template.id)
  // A page that is not one of the template's is the client's own choice, and stays.
  const kept = worn.pages.filter(({ page }, i) => {
    const like = fromTemplate(page)
    const now = findPage(document, page.id)
    return i === 0 || !like || isTaken(like) || (now !== null && isPageFilled(document, now))
  })
  const missing = template.pages.filter((t) => isTaken(t) && !kept.some(({ page }) => fromTemplate(page) === t))
  const start: Arrangement = { ...worn, dress, pages: kept }
  const all = missing.reduce((to, page) => withPage(to, template.id, page, nextId), start)
  return rearrange(document, leaveOut(document, all, choice))
}

/** Without the sections that are not wanted; one that holds anything of the client's stays. */
function leaveOut(document: SiteDocument, to: Arrangement, { template, without = [] }: StartChoice): Arrangement {
  const unwanted = new Set(without)
  const isUnwanted = ({ id, origin }: Standing): boolean => {
    if (origin?.template !== template || origin.page === null || !unwanted.has(`${origin.page}/${origin.section}`)) return false
    const known = findSection(document, id)
    return !known || !hasContent(document, known)
  }
  return { ...to, pages: to.pages.map((of) => ({ ...of, sections: of.sections.filter((one, i) => i === 0 || !isUnwanted(one)) })) }
}

/**
 * What is chosen until somebody chooses: a site that is as it came takes every page of the template; any other keeps its
 * own pages, and the scheme that it wore there before, so that going back finds everything.
 */
export function usualChoice(pack: Pack, document: SiteDocument, template: string): StartChoice {
  const { pages } = getTemplate(pack, template)
  const { dress, pages: arranged } = arrangementOn(pack, document, template)
  const keys = arranged.flatMap(({ page: { origin } }) => (origin?.template === template ? [origin.page] : []))
  const own = isAsItCame(pack, document) && template !== document.dress.template ? pages.map((p) => p.key) : keys
  return { template, pages: own.filter((key) => pages.some((p) => p.key === key)), scheme: dress.scheme ?? null, dark: dress.dark ?? false }
}

/**
 * The edit that adds a page design of any template to a site; it wears the site's own style. `unique` makes its id one
 * that no other hand can have chosen at the same time.
 */
export function addPage(
  pack: Pack,
  document: SiteDocument,
  origin: PageOrigin,
  unique: () => string,
): { readonly edit: Edit; readonly page: PageId; readonly document: SiteDocument } {
  const like = getTemplate(pack, origin.template).pages.find((p) => p.key === origin.page)
  if (!like) throw new Error(`The template ${origin.template} has no page ${origin.page}`)
  const id = `${like.key}-${unique()}` as PageId
  const after = rearrange(
    document,
    withPage(arrangementOf(document), origin.template, like, () => id),
  )
  return { edit: editTo(document, after), page: id, document: after }
}

/** The first of `about`, `about-2`… that no page is called. */
function nextId(key: string, taken: ReadonlySet<string>): PageId {
  return firstFree(key, (name) => taken.has(name)) as PageId
}

function withPage(
  to: Arrangement,
  template: string,
  like: TemplatePage,
  idOf: (key: string, taken: ReadonlySet<string>) => PageId,
): Arrangement {
  const id = idOf(like.key, new Set(to.pages.map(({ page }) => page.id)))
  const segments = new Set(to.pages.map(({ page }) => page.segment))
  const page: StandingPage = {
    id,
    in: { type: 'site' },
    rank: null,
    origin: { template, page: like.key },
    segment: firstFree(like.segment || like.key, (name) => segments.has(name)),
    listed: like.menu === undefined ? 'menu' : like.menu === 'none' ? 'nowhere' : 'foot',
    texts: {},
  }
  const sections = like.sections.map((s) => ({
    id: `${id}.${s.key}`.slice(-64).replace(/^[^A-Za-z0-9]+/, '') as SectionId,
    kind: s.kind,
    design: s.design,
    tone: s.tone,
    origin: { template, page: like.key, section: s.key },
    rank: null,
  }))
  // A page for the menu goes after the menu's last; those of the foot stay last.
  const at = like.menu ? to.pages.length : to.pages.findLastIndex((p) => p.page.listed === 'menu') + 1
  const added: ArrangedPage = { page, sections }
  return { ...to, pages: [...to.pages.slice(0, at), added, ...to.pages.slice(at)] }
}

/**
 * The site started over on the template it wears: facts and brand stay, everything on its pages goes, and undo brings it
 * back. Pages and sections get new names, so that nothing of the old content is found under them.
 */
export function startOver(pack: Pack, document: SiteDocument): SiteDocument {
  const fresh = arrangementOf(makeDocument(getTemplate(pack, document.dress.template), {}, {}))
  const ids = [...Object.keys(document.pages), ...Object.keys(document.sections)]
  let run = 2
  while (ids.some((id) => id.startsWith(`r${run}.`))) run++
  const renamed = <T extends string>(id: T): T => `r${run}.${id}` as T
  const rename = <T extends { readonly id: SectionId }>(sections: readonly T[]): T[] => sections.map((s) => ({ ...s, id: renamed(s.id) }))
  return rearrange(document, {
    ...fresh,
    dress: document.dress,
    apart: onEach((type) => rename(fresh.apart[type])),
    pages: fresh.pages.map(({ page, sections }) => ({ page: { ...page, id: renamed(page.id) }, sections: rename(sections) })),
  })
}

/** The page that a site's own page is tried on by: its home page where it has none of that name. */
export function pageNamed(document: SiteDocument, id: string): Page {
  return findPage(document, id) ?? homePage(document)
}
