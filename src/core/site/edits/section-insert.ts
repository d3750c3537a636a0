import * as v from 'valibot'
import { findPage, findSection, pageOf, placeOfSection, sectionSchema, sectionsIn, withRecord } from '../document'
import { asKindTakes, fits } from './fits-kind'
import { refused, type StepType } from './step-type'

export const MAX_SECTIONS = 200

/** Adds a section, with what is in its own slots. */
export const sectionInsertSchema = v.strictObject({ type: v.literal('section/insert'), section: sectionSchema })
export type SectionInsert = v.InferOutput<typeof sectionInsertSchema>

declare module './step-type' {
  interface StepTypes {
    'section/insert': SectionInsert
  }
}

export const sectionInsert: StepType<SectionInsert> = {
  schema: sectionInsertSchema,
  apply: (document, step) => {
    const section = { ...step.section, slots: asKindTakes(step.section.kind, null, step.section.slots) }
    if (findSection(document, section.id)) return refused({ code: 'idTaken', id: section.id })
    const page = pageOf(section.in)
    if (page !== null && !findPage(document, page)) return refused({ code: 'pageGone', page })
    if (sectionsIn(document, section.in).length >= MAX_SECTIONS) return refused({ code: 'tooMany', of: 'sections' })
    if (!fits(section.kind, null, section.slots)) return refused({ code: 'valueWrong', place: section.kind })
    return {
      ok: true,
      document: { ...document, sections: withRecord(document.sections, section, placeOfSection) },
      inverse: [{ type: 'section/remove', section: section.id }],
    }
  },
  place: () => null,
  writes: () => null,
}
