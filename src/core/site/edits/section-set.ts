import * as v from 'valibot'
import { findSection, nameSchema, placeOfSection, sectionIdSchema, sectionOriginSchema, withRecord, type Section } from '../document'
import { TONES } from '../tones'
import { refused, type StepType } from './step-type'

const onSection = { type: v.literal('section/set'), section: sectionIdSchema }
/** Sets what a section wears, its design or its tone, or what it was made from. */
export const sectionSetSchema = v.variant('part', [
  v.strictObject({ ...onSection, part: v.literal('design'), value: nameSchema }),
  v.strictObject({ ...onSection, part: v.literal('tone'), value: v.picklist(TONES) }),
  v.strictObject({ ...onSection, part: v.literal('origin'), value: v.nullable(sectionOriginSchema) }),
])
export type SectionSet = v.InferOutput<typeof sectionSetSchema>

declare module './step-type' {
  interface StepTypes {
    'section/set': SectionSet
  }
}

export const sectionSet: StepType<SectionSet> = {
  apply: (document, step) => {
    const section = findSection(document, step.section)
    if (!section) return refused({ code: 'sectionGone', section: step.section })
    const next: Section = { ...section, [step.part]: step.value }
    return {
      ok: true,
      document: { ...document, sections: withRecord(document.sections, next, placeOfSection) },
      inverse: [{ ...step, value: section[step.part] } as SectionSet],
    }
  },
  place: () => null,
  writes: ({ section, part }) => `section ${section} ${part}`,
}
