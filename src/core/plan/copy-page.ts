import { pageTexts } from '../fill'
import type { Pack } from '../pack'
import { toSegment } from '../pages'
import {
  pagesIn,
  rankBetween,
  sectionsOfPage,
  type EditStep,
  type Page,
  type PageId,
  type SectionId,
  type SectionIn,
  type SiteDocument,
} from '../site'
import type { Added, Unique } from './add-page'
import { nameProblem } from './page-names'
import { copySteps } from './sections'

/** The steps that put a copy of a page after it: with what is in it, or as the template has it. What stands under it is not copied. */
export function copyPage(pack: Pack, document: SiteDocument, page: Page, withContent: boolean, unique: Unique): Added {
  const id = `page-${unique()}` as PageId
  const { name } = pageTexts(pack, document, page)
  const taken = nameProblem(pack, document, name)
  const called = taken?.code === 'nameTaken' ? taken.suggestion : name
  const siblings = pagesIn(document, page.in)
  const after = siblings[siblings.indexOf(page) + 1]?.rank ?? null
  const { hidden: _, ...rest } = page
  const texts = withContent ? { ...page.texts, name: { text: called } } : { name: { text: called } }
  const { label: __, title: ___, ...kept } = texts as Page['texts']
  const insert: EditStep = {
    type: 'page/insert',
    page: { ...rest, id, rank: rankBetween(page.rank, after), segment: toSegment(called) || page.segment, addressed: true, texts: kept },
  }
  const standing = sectionsOfPage(document, page.id)
  const sections = standing.flatMap((section, i) =>
    copySteps(
      document,
      section,
      { id: `${id}.${i + 1}` as SectionId, in: { ...section.in, page: id } as SectionIn, rank: section.rank },
      withContent,
      unique,
    ),
  )
  return { page: id, steps: [insert, ...sections] }
}
