import * as v from 'valibot'
import { findPage, pageIdSchema, pageInSchema, placeOfPage, rankSchema, withRecord } from '../document'
import { refused, type StepType } from './step-type'

/**
 * Puts a page elsewhere: in the order, or under another page; without `in` it stays where it is in the tree. The first at the top is the
 * home page. What would stand under itself is refused once the whole edit is made (`settlePages`).
 */
export const pageMoveSchema = v.strictObject({
  type: v.literal('page/move'),
  page: pageIdSchema,
  rank: rankSchema,
  in: v.optional(pageInSchema),
})
export type PageMove = v.InferOutput<typeof pageMoveSchema>

declare module './step-type' {
  interface StepTypes {
    'page/move': PageMove
  }
}

export const pageMove: StepType<PageMove> = {
  schema: pageMoveSchema,
  apply: (document, step) => {
    const page = findPage(document, step.page)
    if (!page) return refused({ code: 'pageGone', page: step.page })
    if (step.in?.type === 'page' && !findPage(document, step.in.page)) return refused({ code: 'pageGone', page: step.in.page })
    const pages = withRecord(document.pages, { ...page, rank: step.rank, in: step.in ?? page.in }, placeOfPage)
    return { ok: true, document: { ...document, pages }, inverse: [{ type: 'page/move', page: page.id, rank: page.rank, in: page.in }] }
  },
  place: () => null,
  writes: ({ page }) => `page ${page} place`,
}
