import * as v from 'valibot'
import { findPage, pageSchema, placeOfPage, withRecord } from '../document'
import { refused, type StepType } from './step-type'

export const MAX_PAGES = 2000

/** Adds a page. Where its address is taken by then, it gets the next free one (`settlePages`). */
export const pageInsertSchema = v.strictObject({ type: v.literal('page/insert'), page: pageSchema })
export type PageInsert = v.InferOutput<typeof pageInsertSchema>

declare module './step-type' {
  interface StepTypes {
    'page/insert': PageInsert
  }
}

export const pageInsert: StepType<PageInsert> = {
  schema: pageInsertSchema,
  apply: (document, { page }) => {
    if (findPage(document, page.id)) return refused({ code: 'idTaken', id: page.id })
    if (page.in.type === 'page' && !findPage(document, page.in.page)) return refused({ code: 'pageGone', page: page.in.page })
    if (Object.keys(document.pages).length >= MAX_PAGES) return refused({ code: 'tooMany', of: 'pages' })
    return {
      ok: true,
      document: { ...document, pages: withRecord(document.pages, page, placeOfPage) },
      inverse: [{ type: 'page/remove', page: page.id }],
    }
  },
  place: () => null,
  writes: () => null,
}
