import { withValue } from '../../own'
import * as v from 'valibot'
import {
  alterationParts,
  findSection,
  nameSchema,
  placeOfSection,
  SECTION_OWN,
  sectionIdSchema,
  sectionOriginSchema,
  sectionOwn,
  withRecord,
  type Section,
  type SectionOwn,
} from '../document'
import { TONES } from '../tones'
import { refused, type StepType } from './step-type'

const onSection = { type: v.literal('section/set'), section: sectionIdSchema }
/**
 * Sets what a section wears, its design or its tone, what it was made from, or something of its own: the last day on which it is shown,
 * whether it is hidden, its name, the name that links find it by, to how many lines its texts are held, what is altered in its cut.
 */
export const sectionSetSchema = v.variant('part', [
  v.strictObject({ ...onSection, part: v.literal('design'), value: nameSchema }),
  v.strictObject({ ...onSection, part: v.literal('tone'), value: v.picklist(TONES) }),
  v.strictObject({ ...onSection, part: v.literal('origin'), value: v.nullable(sectionOriginSchema) }),
  v.strictObject({ ...onSection, part: v.literal('until'), value: v.nullable(sectionOwn.until.wrapped) }),
  v.strictObject({ ...onSection, part: v.literal('hidden'), value: v.nullable(sectionOwn.hidden.wrapped) }),
  v.strictObject({ ...onSection, part: v.literal('name'), value: v.nullable(sectionOwn.name.wrapped) }),
  v.strictObject({ ...onSection, part: v.literal('anchor'), value: v.nullable(sectionOwn.anchor.wrapped) }),
  v.strictObject({ ...onSection, part: v.literal('same'), value: v.nullable(sectionOwn.same.wrapped) }),
  v.strictObject({ ...onSection, part: v.literal('holds'), value: v.nullable(sectionOwn.holds.wrapped) }),
  v.strictObject({ ...onSection, part: v.literal('above'), value: v.nullable(alterationParts.above.wrapped) }),
  v.strictObject({ ...onSection, part: v.literal('below'), value: v.nullable(alterationParts.below.wrapped) }),
  v.strictObject({ ...onSection, part: v.literal('heading'), value: v.nullable(alterationParts.heading.wrapped) }),
  v.strictObject({ ...onSection, part: v.literal('measure'), value: v.nullable(alterationParts.measure.wrapped) }),
  v.strictObject({ ...onSection, part: v.literal('align'), value: v.nullable(alterationParts.align.wrapped) }),
  v.strictObject({ ...onSection, part: v.literal('side'), value: v.nullable(alterationParts.side.wrapped) }),
  v.strictObject({ ...onSection, part: v.literal('columns'), value: v.nullable(alterationParts.columns.wrapped) }),
  v.strictObject({ ...onSection, part: v.literal('frame'), value: v.nullable(alterationParts.frame.wrapped) }),
  v.strictObject({ ...onSection, part: v.literal('stagger'), value: v.nullable(alterationParts.stagger.wrapped) }),
])
export type SectionSet = v.InferOutput<typeof sectionSetSchema>

declare module './step-type' {
  interface StepTypes {
    'section/set': SectionSet
  }
}

export const sectionSet: StepType<SectionSet> = {
  schema: sectionSetSchema,
  apply: (document, step) => {
    const section = findSection(document, step.section)
    if (!section) return refused({ code: 'sectionGone', section: step.section })
    const next: Section = isOwn(step.part) ? withValue(section, step.part, step.value) : { ...section, [step.part]: step.value }
    return {
      ok: true,
      document: { ...document, sections: withRecord(document.sections, next, placeOfSection) },
      inverse: [{ ...step, value: section[step.part] ?? null } as SectionSet],
    }
  },
  place: () => null,
  writes: ({ section, part }) => `section ${section} ${part}`,
}

function isOwn(part: SectionSet['part']): part is SectionOwn {
  return (SECTION_OWN as readonly string[]).includes(part)
}
