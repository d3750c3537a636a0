import * as v from 'valibot'
import { findPage, pageIdSchema, placeOfPage, rankSchema, withRecord } from '../document'
import { refused, type StepType } from './step-type'

/** Puts a page elsewhere in the order; the first one is the home page. */
export const pageMoveSchema = v.strictObject({ type: v.literal('page/move'), page: pageIdSchema, rank: rankSchema })
export type PageMove = v.InferOutput<typeof pageMoveSchema>

declare module './step-type' {
  interface StepTypes {
    'page/move': PageMove
  }
}

export const pageMove: StepType<PageMove> = {
  apply: (document, step) => {
    const page = findPage(document, step.page)
    if (!page) return refused({ code: 'pageGone', page: step.page })
    const pages = withRecord(document.pages, { ...page, rank: step.rank }, placeOfPage)
    return { ok: true, document: { ...document, pages }, inverse: [{ ...step, rank: page.rank }] }
  },
  place: () => null,
  writes: ({ page }) => `page ${page} place`,
}
