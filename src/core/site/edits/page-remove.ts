import * as v from 'valibot'
import { findPage, pageIdSchema, placeOfPage, sectionsOn, withoutRecord, type SiteDocument } from '../document'
import { sectionRemove } from './section-remove'
import { refused, type StepType, type EditStep } from './step-type'

/** Takes a page out, with everything on it; the inverse brings all of it back. */
export const pageRemoveSchema = v.strictObject({ type: v.literal('page/remove'), page: pageIdSchema })
export type PageRemove = v.InferOutput<typeof pageRemoveSchema>

declare module './step-type' {
  interface StepTypes {
    'page/remove': PageRemove
  }
}

export const pageRemove: StepType<PageRemove> = {
  apply: (document, step) => {
    const page = findPage(document, step.page)
    if (!page) return refused({ code: 'pageGone', page: step.page })
    let emptied: SiteDocument = document
    const inverse: EditStep[] = []
    for (const section of sectionsOn(document, page.id)) {
      const removed = sectionRemove.apply(emptied, { type: 'section/remove', section: section.id })
      if (!removed.ok) return removed
      emptied = removed.document
      inverse.push(...removed.inverse)
    }
    return {
      ok: true,
      document: { ...emptied, pages: withoutRecord(emptied.pages, page.id, placeOfPage) },
      inverse: [{ type: 'page/insert', page }, ...inverse],
    }
  },
  place: () => null,
  writes: () => null,
}
