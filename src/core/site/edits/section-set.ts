import * as v from 'valibot'
import {
  daySchema,
  findSection,
  nameSchema,
  placeOfSection,
  sectionIdSchema,
  sectionOriginSchema,
  withRecord,
  type Section,
} from '../document'
import { TONES } from '../tones'
import { refused, type StepType } from './step-type'

const onSection = { type: v.literal('section/set'), section: sectionIdSchema }
/** Sets what a section wears, its design or its tone, what it was made from, or the last day on which it is shown. */
export const sectionSetSchema = v.variant('part', [
  v.strictObject({ ...onSection, part: v.literal('design'), value: nameSchema }),
  v.strictObject({ ...onSection, part: v.literal('tone'), value: v.picklist(TONES) }),
  v.strictObject({ ...onSection, part: v.literal('origin'), value: v.nullable(sectionOriginSchema) }),
  v.strictObject({ ...onSection, part: v.literal('until'), value: v.nullable(daySchema) }),
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
    const { until, ...rest } = section
    const next: Section =
      step.part === 'until' ? { ...rest, ...(step.value === null ? {} : { until: step.value }) } : { ...section, [step.part]: step.value }
    return {
      ok: true,
      document: { ...document, sections: withRecord(document.sections, next, placeOfSection) },
      inverse: [{ ...step, value: (step.part === 'until' ? until : section[step.part]) ?? null } as SectionSet],
    }
  },
  place: () => null,
  writes: ({ section, part }) => `section ${section} ${part}`,
}
