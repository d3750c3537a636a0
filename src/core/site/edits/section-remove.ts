import * as v from 'valibot'
import { entriesOf, findSection, placeOfEntry, placeOfSection, refOf, sectionIdSchema, withoutRecord } from '../document'
import { refused, type StepType, type EditStep } from './step-type'

/** Takes a section out, with its entries; the inverse brings all of it back. */
export const sectionRemoveSchema = v.strictObject({ type: v.literal('section/remove'), section: sectionIdSchema })
export type SectionRemove = v.InferOutput<typeof sectionRemoveSchema>

declare module './step-type' {
  interface StepTypes {
    'section/remove': SectionRemove
  }
}

export const sectionRemove: StepType<SectionRemove> = {
  schema: sectionRemoveSchema,
  apply: (document, step) => {
    const section = findSection(document, step.section)
    if (!section) return refused({ code: 'sectionGone', section: step.section })
    const own = entriesOf(document, section.id)
    const back = own.flatMap((entry): EditStep[] => {
      const at = { section: section.id, entry: refOf(entry) }
      const insert: EditStep = { type: 'entry/insert', ...at, rank: entry.rank, slots: entry.slots }
      const hide: EditStep[] = entry.hidden ? [{ type: 'entry/set', ...at, part: 'hidden', value: true }] : []
      return entry.gone ? [insert, ...hide, { type: 'entry/remove', ...at }] : [insert, ...hide]
    })
    const entries = own.reduce((table, entry) => withoutRecord(table, entry.id, placeOfEntry), document.entries)
    return {
      ok: true,
      document: { ...document, entries, sections: withoutRecord(document.sections, section.id, placeOfSection) },
      inverse: [{ type: 'section/insert', section }, ...back],
    }
  },
  place: () => null,
  writes: () => null,
}
