import * as v from 'valibot'
import { findPage, findSection, pageOf, placeOfSection, rankSchema, sectionIdSchema, sectionInSchema, withRecord } from '../document'
import { refused, type StepType } from './step-type'

/** Puts a section elsewhere: on its page, on another, in a column at its side, or where every page has it. */
export const sectionMoveSchema = v.strictObject({
  type: v.literal('section/move'),
  section: sectionIdSchema,
  in: sectionInSchema,
  rank: rankSchema,
})
export type SectionMove = v.InferOutput<typeof sectionMoveSchema>

declare module './step-type' {
  interface StepTypes {
    'section/move': SectionMove
  }
}

export const sectionMove: StepType<SectionMove> = {
  schema: sectionMoveSchema,
  apply: (document, step) => {
    const section = findSection(document, step.section)
    if (!section) return refused({ code: 'sectionGone', section: step.section })
    const page = pageOf(step.in)
    if (page !== null && !findPage(document, page)) return refused({ code: 'pageGone', page })
    const next = { ...section, in: step.in, rank: step.rank }
    return {
      ok: true,
      document: { ...document, sections: withRecord(document.sections, next, placeOfSection) },
      inverse: [{ ...step, in: section.in, rank: section.rank }],
    }
  },
  place: () => null,
  writes: ({ section }) => `section ${section} place`,
}
