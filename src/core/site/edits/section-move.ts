import * as v from 'valibot'
import { findPage, findSection, placeOfSection, rankSchema, sectionIdSchema, sectionInSchema, withRecord } from '../document'
import { refused, type StepType } from './step-type'

/** Puts a section elsewhere: on its page, on another, or at the head or foot of every page. */
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
  apply: (document, step) => {
    const section = findSection(document, step.section)
    if (!section) return refused({ code: 'sectionGone', section: step.section })
    if (step.in.type === 'page' && !findPage(document, step.in.page)) return refused({ code: 'pageGone', page: step.in.page })
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
