import * as v from 'valibot'
import {
  findPage,
  pageIdSchema,
  pagesIn,
  placeOfPage,
  rankBetween,
  sectionsIn,
  sectionsOn,
  SIDES,
  withoutRecord,
  withRecord,
  type Page,
  type Section,
  type SiteDocument,
} from '../document'
import { sectionRemove } from './section-remove'
import { refused, type StepType, type EditStep } from './step-type'

/** Takes a page out, with everything on it; the pages under it take its place. The inverse brings all of it back. */
export const pageRemoveSchema = v.strictObject({ type: v.literal('page/remove'), page: pageIdSchema })
export type PageRemove = v.InferOutput<typeof pageRemoveSchema>

declare module './step-type' {
  interface StepTypes {
    'page/remove': PageRemove
  }
}

export const pageRemove: StepType<PageRemove> = {
  schema: pageRemoveSchema,
  apply: (document, step) => {
    const page = findPage(document, step.page)
    if (!page) return refused({ code: 'pageGone', page: step.page })
    let emptied: SiteDocument = document
    const inverse: EditStep[] = []
    for (const section of standingOn(document, page)) {
      const removed = sectionRemove.apply(emptied, { type: 'section/remove', section: section.id })
      if (!removed.ok) return removed
      emptied = removed.document
      inverse.push(...removed.inverse)
    }
    const lifted = liftFrom(emptied, page)
    return {
      ok: true,
      document: { ...lifted.document, pages: withoutRecord(lifted.document.pages, page.id, placeOfPage) },
      inverse: [{ type: 'page/insert', page }, ...lifted.inverse, ...inverse],
    }
  },
  place: () => null,
  writes: () => null,
}

/** All that stands on a page, in its columns too, shown or not. */
function standingOn(document: SiteDocument, { id }: Page): readonly Section[] {
  const sides = SIDES.flatMap((side) => sectionsIn(document, { type: 'side', side, page: id }))
  return [...sectionsOn(document, id), ...sides]
}

type Lifted = { readonly document: SiteDocument; readonly inverse: readonly EditStep[] }

/** What stands under a page goes up to where it stands: pages in its place, menu entries too. */
function liftFrom(document: SiteDocument, page: Page): Lifted {
  const siblings = pagesIn(document, page.in)
  const after = siblings[siblings.indexOf(page) + 1]?.rank ?? null
  const inverse: EditStep[] = []
  let { pages, signposts } = document
  let before = page.rank
  for (const child of pagesIn(document, { type: 'page', page: page.id })) {
    before = rankBetween(before, after)
    pages = withRecord(pages, { ...child, in: page.in, rank: before }, placeOfPage)
    inverse.push({ type: 'page/move', page: child.id, in: child.in, rank: child.rank })
  }
  for (const sign of Object.values(signposts)) {
    if (sign.in.type !== 'page' || sign.in.page !== page.id) continue
    signposts = { ...signposts, [sign.id]: { ...sign, in: page.in } }
    inverse.push({ type: 'signpost/set', signpost: sign.id, value: sign })
  }
  return { document: { ...document, pages, signposts }, inverse }
}
