import { findTemplatePage } from '../fill'
import type { Pack } from '../pack'
import { toSegment } from '../pages'
import {
  allSections,
  emptyValue,
  findPage,
  MAX_PAGE_TEXT,
  rankBetween,
  pagesIn,
  stepsOf,
  type EditStep,
  type PageId,
  type PageIn,
  type PageOrigin,
  type SectionId,
  type SiteDocument,
} from '../site'
import { addPage } from '../wear'
import { addressSteps, nameProblem } from './page-names'

/** What a new page is to be: made from a template's page, or blank; what it is called; where it stands. Without a place: last. */
export type NewPage = { readonly origin: PageOrigin | null; readonly name?: string | undefined; readonly in?: PageIn | undefined }
export type Added = { readonly steps: readonly EditStep[]; readonly page: PageId }
export type Unique = () => string

/** The steps that add a page to a site. `unique` makes ids that no other hand can have chosen at the same time. */
export function newPage(pack: Pack, document: SiteDocument, { origin, name: asked, in: where }: NewPage, unique: Unique): Added {
  const name = freeName(pack, document, asked ?? findTemplatePage(pack, origin)?.page.name ?? 'Page', asked)
  const added = origin ? designedPage(pack, document, origin, unique) : blankPage(pack, document, name ?? 'Page', unique)
  return {
    page: added.page,
    steps: [...added.steps, ...(where ? moveSteps(document, added.page, where) : []), ...nameSteps(document, added.page, name)],
  }
}

/** What was asked for; a name that another page has already, with a number behind it. */
function freeName(pack: Pack, document: SiteDocument, wanted: string, asked: string | undefined): string | undefined {
  const problem = nameProblem(pack, document, wanted)
  return problem?.code === 'nameTaken' ? problem.suggestion : asked
}

function designedPage(pack: Pack, document: SiteDocument, origin: PageOrigin, unique: Unique): Added {
  const { edit, page } = addPage(pack, document, origin, unique)
  return { page, steps: stepsOf(edit) }
}

function moveSteps(document: SiteDocument, page: PageId, where: PageIn): readonly EditStep[] {
  const last = pagesIn(document, where).at(-1)
  return [{ type: 'page/move', page, in: where, rank: rankBetween(last?.rank ?? null, null) }]
}

/** A name that was given is the client's, and so is the address made of it. */
function nameSteps(document: SiteDocument, page: PageId, name: string | undefined): readonly EditStep[] {
  const given = name?.trim() ?? ''
  if (given === '') return []
  return [
    { type: 'page/set', page, part: 'name', value: given.slice(0, MAX_PAGE_TEXT) },
    ...addressSteps(document, page, toSegment(given) || 'page'),
  ]
}

/** A page with nothing on it but its heading, in the dress that headings of pages have on this site. */
function blankPage(pack: Pack, document: SiteDocument, name: string, unique: Unique): Added {
  const page = `page-${unique()}` as PageId
  const last = pagesIn(document, { type: 'site' }).at(-1)
  const like = allSections(document).find((s) => s.kind === 'title' && s.in.type === 'page')
  const insert: EditStep = {
    type: 'page/insert',
    page: {
      id: page,
      in: { type: 'site' },
      rank: rankBetween(last?.rank ?? null, null),
      origin: null,
      segment: toSegment(name) || 'page',
      listed: 'menu',
      texts: {},
    },
  }
  if (!like) return { page, steps: [insert] }
  const heading: EditStep = {
    type: 'section/insert',
    section: {
      id: `${page}.title` as SectionId,
      in: { type: 'page', page },
      rank: 'a0',
      kind: 'title',
      design: like.design,
      tone: like.tone,
      origin: null,
      slots: { heading: { type: 'text', text: name.trim() }, lead: emptyValue('rich') },
    },
  }
  return { page, steps: [insert, heading] }
}

/** Adds several pages one after another, each standing where the ones before it have made room; one edit. */
export function newPages(
  pack: Pack,
  document: SiteDocument,
  of: readonly (Omit<NewPage, 'in'> & { readonly under: number | null })[],
  unique: Unique,
  apply: (document: SiteDocument, steps: readonly EditStep[]) => SiteDocument,
): { readonly steps: readonly EditStep[]; readonly pages: readonly PageId[] } {
  const steps: EditStep[] = []
  const pages: PageId[] = []
  let now = document
  for (const { under, ...one } of of) {
    const parent = under === null ? null : (pages[under] ?? null)
    const where: PageIn = parent && findPage(now, parent) ? { type: 'page', page: parent } : { type: 'site' }
    const added = newPage(pack, now, { ...one, in: where }, unique)
    // Whoever writes a page into a plan means it to be found.
    const made = [...added.steps, { type: 'page/set', page: added.page, part: 'listed', value: 'menu' } as const]
    now = apply(now, made)
    steps.push(...made)
    pages.push(added.page)
  }
  return { steps, pages }
}
