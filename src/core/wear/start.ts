import { getTemplate, makeDocument, type Pack, type TemplatePage } from '../pack'
import { allSections, arrangementOf, type Arrangement, type Dark, type EditStep, type PageId, type PlacedPage, type SectionId, type SiteDocument } from '../site'
import { hasContent, isPageFilled } from './fit'
import { sameArrangement, wear } from './wear'

export type StartChoice = {
  readonly template: string
  /** Keys of the template's pages to take; home is always taken. */
  readonly pages: readonly string[]
  readonly scheme: string | null
  readonly dark: Dark
}
type Arrange = Extract<EditStep, { type: 'arrange' }>

/** True while nothing of the client's is on any page. */
export function isUnfilled(document: SiteDocument): boolean {
  return !allSections(document).some(hasContent) && !document.pages.some(isPageFilled)
}

/** True for a site on which nobody has done anything yet: nothing filled, nothing chosen, nothing moved. */
export function isAsItCame(pack: Pack, document: SiteDocument): boolean {
  return isUnfilled(document) && sameArrangement(arrangementOf(document), arrangementOf(makeDocument(getTemplate(pack, document.template), {}, {})))
}

/** The edit that starts a site on a template with the chosen pages and scheme. Pages that hold anything of the client's stay. */
export function startOn(pack: Pack, document: SiteDocument, choice: StartChoice): Arrange {
  const template = getTemplate(pack, choice.template)
  const isTaken = (page: TemplatePage): boolean => page === template.pages[0] || choice.pages.includes(page.key)
  const look = { ...(choice.scheme === null ? {} : { scheme: choice.scheme }), ...(choice.dark ? { dark: choice.dark } : {}) }
  if (isAsItCame(pack, document)) {
    const fresh = arrangementOf(makeDocument(template, {}, {}))
    const pages = fresh.pages.filter((page) => template.pages.some((t) => t.key === page.from && isTaken(t)))
    return { type: 'arrange', to: { ...fresh, ...look, pages } }
  }
  const { scheme: _s, dark: _d, ...worn } = wear(pack, document, choice.template).to
  const filled = new Set(document.pages.filter(isPageFilled).map((p) => p.id))
  // A page that is not one of the template's is the client's own choice, and stays.
  const isForeign = (page: PlacedPage): boolean => !template.pages.some((t) => t.key === page.from)
  const kept = worn.pages.filter((page, i) => i === 0 || filled.has(page.id) || isForeign(page) || template.pages.some((t) => t.key === page.from && isTaken(t)))
  const missing = template.pages.filter((t) => isTaken(t) && !kept.some((page) => page.from === t.key))
  return { type: 'arrange', to: missing.reduce((to, page) => withPage(pack, to, choice.template, page.key), { ...worn, ...look, pages: kept } as Arrangement) }
}

/**
 * What is chosen until somebody chooses: a site that is as it came takes every page of the template; any other keeps its
 * own pages, and the scheme that it wore there before, so that going back finds everything.
 */
export function usualChoice(pack: Pack, document: SiteDocument, template: string): StartChoice {
  const { pages } = getTemplate(pack, template)
  const { to } = wear(pack, document, template)
  const own = isAsItCame(pack, document) && template !== document.template ? pages.map((p) => p.key) : to.pages.map((p) => p.from).filter((from) => from !== null && pages.some((p) => p.key === from))
  return { template, pages: own.filter((key) => key !== null), scheme: to.scheme ?? null, dark: to.dark ?? false }
}

/** The edit that adds a page design of any template to a site; it wears the site's own style. */
export function addPage(pack: Pack, document: SiteDocument, template: string, key: string): { readonly edit: Arrange; readonly page: PageId } {
  const now = arrangementOf(document)
  const to = withPage(pack, now, template, key)
  const added = to.pages.find((p) => !now.pages.some((q) => q.id === p.id))
  if (!added) throw new Error(`The template ${template} has no page ${key}`)
  return { edit: { type: 'arrange', to }, page: added.id }
}

function withPage(pack: Pack, to: Arrangement, template: string, key: string): Arrangement {
  const like = getTemplate(pack, template).pages.find((p) => p.key === key)
  if (!like) return to
  const ids = new Set(to.pages.map((p) => p.id as string))
  const segments = new Set(to.pages.map((p) => p.segment))
  const id = firstFree(like.key, (name) => ids.has(name))
  const page: PlacedPage = {
    id: id as PageId,
    from: template === to.template ? like.key : `${template}/${like.key}`,
    segment: firstFree(like.segment || like.key, (name) => segments.has(name)),
    ...(like.menu ? { menu: like.menu } : {}),
    sections: like.sections.map((s) => ({ id: `${id}.${s.key}` as SectionId, kind: s.kind, design: s.design, tone: s.tone, from: s.key })),
  }
  // A page for the menu goes after the menu's last; those of the foot stay last.
  const at = like.menu ? to.pages.length : to.pages.findLastIndex((p) => p.menu === undefined) + 1
  return { ...to, pages: [...to.pages.slice(0, at), page, ...to.pages.slice(at)] }
}

function firstFree(name: string, isTaken: (name: string) => boolean): string {
  for (let n = 1; ; n++) {
    const tried = n === 1 ? name : `${name}-${n}`
    if (!isTaken(tried)) return tried
  }
}

/**
 * The edit that starts a site over on the template it wears: facts and brand stay, everything on its pages goes, and
 * undo brings it back. Sections get new names, so that nothing of the old content is found under them.
 */
export function startOver(pack: Pack, document: SiteDocument): Arrange {
  const { scheme, dark } = document
  const fresh = arrangementOf(makeDocument(getTemplate(pack, document.template), {}, {}))
  const ids = new Set([...document.pages.map((p) => p.id as string), ...allSections(document).map((s) => s.id as string)])
  let run = 2
  while ([...ids].some((id) => id.startsWith(`r${run}.`))) run++
  const renamed = <T extends string>(id: T): T => `r${run}.${id}` as T
  return {
    type: 'arrange',
    to: {
      ...fresh,
      ...(scheme === undefined ? {} : { scheme }),
      ...(dark ? { dark } : {}),
      header: { ...fresh.header, id: renamed(fresh.header.id) },
      footer: { ...fresh.footer, id: renamed(fresh.footer.id) },
      pages: fresh.pages.map((page) => ({ ...page, id: renamed(page.id), sections: page.sections.map((s) => ({ ...s, id: renamed(s.id) })) })),
    },
  }
}
