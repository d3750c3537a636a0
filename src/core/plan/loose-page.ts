import { pageTexts } from '../fill'
import type { Pack } from '../pack'
import { toSegment } from '../pages'
import {
  COLUMN_PARTS,
  pagesIn,
  rankBetween,
  sectionsOfPage,
  type EditStep,
  type Page,
  type PageId,
  type SectionIn,
  type Side,
  type SiteDocument,
} from '../site'
import type { Added, Unique } from './add-page'
import { fromKept, toKept, type KeptSection } from './kept-section'
import { nameProblem } from './page-names'

/** A page taken out of its job: what it is called, what it was made from, and its sections, as they are kept for any job. */
export type LoosePage = Pick<Page, 'id' | 'origin' | 'listed' | 'startColumn' | 'endColumn'> & {
  readonly name: string
  readonly sections: readonly { readonly side: Side | null; readonly section: KeptSection }[]
}

/** A page as another job can take it. What is said of it to search engines is that client's, and stays behind, as facts and links do. */
export function toLoose(pack: Pack, document: SiteDocument, page: Page): LoosePage {
  const { id, origin, listed } = page
  return {
    id,
    origin,
    listed,
    ...columnsOf(page),
    name: pageTexts(pack, document, page).name,
    sections: sectionsOfPage(document, id).map((section) => ({
      side: section.in.type === 'side' ? section.in.side : null,
      section: toKept(document, section),
    })),
  }
}

function columnsOf(page: Pick<Page, (typeof COLUMN_PARTS)[number]>): Pick<Page, (typeof COLUMN_PARTS)[number]> {
  return Object.fromEntries(COLUMN_PARTS.flatMap((part) => (page[part] === undefined ? [] : [[part, page[part]]])))
}

/** The steps that add a page of another job to a site, last at the top, under a name that is free: with what is in it, or without. */
export function fromLoose(
  pack: Pack,
  document: SiteDocument,
  loose: LoosePage,
  { name: asked, withContent }: { readonly name?: string | undefined; readonly withContent: boolean },
  unique: Unique,
): Added {
  const id = `page-${unique()}` as PageId
  const wanted = asked?.trim() || loose.name
  const problem = nameProblem(pack, document, wanted)
  const name = problem?.code === 'nameTaken' ? problem.suggestion : wanted
  const rank = rankBetween(pagesIn(document, { type: 'site' }).at(-1)?.rank ?? null, null)
  const { origin, listed } = loose
  const page: Page = {
    id,
    in: { type: 'site' },
    rank,
    origin,
    segment: toSegment(name) || 'page',
    addressed: true,
    listed,
    ...columnsOf(loose),
    texts: { name: { text: name } },
  }
  const last = new Map<Side | null, string | null>()
  const sections = loose.sections.flatMap(({ side, section }): readonly EditStep[] => {
    const where: SectionIn = side === null ? { type: 'page', page: id } : { type: 'side', side, page: id }
    const bare = withContent ? section : { ...section, slots: {}, entries: [] }
    const next = rankBetween(last.get(side) ?? null, null)
    last.set(side, next)
    return fromKept(document, bare, { in: where, after: null }, unique).steps.map((step) =>
      step.type === 'section/insert' ? { ...step, section: { ...step.section, rank: next } } : step,
    )
  })
  return { page: id, steps: [{ type: 'page/insert', page }, ...sections] }
}
