import {
  applyEdit,
  type Edit,
  type EntryRef,
  type Section,
  type SectionId,
  type SiteDocument,
  type SlotValue,
  sectionsOn,
  homePage,
} from '../src/core/site'

/** The document after some edits; throws where one is refused. */
export function edited(document: SiteDocument, ...edits: readonly Edit[]): SiteDocument {
  return edits.reduce((at, edit) => {
    const applied = applyEdit(at, edit)
    if (!applied.ok) throw new Error(JSON.stringify(applied.problem))
    return applied.document
  }, document)
}

/** The edit that puts a value into a slot of a section, or of an entry of its list of items. */
export function setSlot(
  section: string,
  slot: string,
  value: SlotValue | null,
  entry: EntryRef | null = null,
): Extract<Edit, { type: 'slot/set' }> {
  return { type: 'slot/set', section: section as SectionId, entry, slot, value }
}

export function setText(section: string, slot: string, text: string): Extract<Edit, { type: 'slot/set' }> {
  return setSlot(section, slot, { type: 'text', text })
}

/** The same in the template's entry of a number. */
export function setItem(section: string, nth: number, slot: string, text: string): Extract<Edit, { type: 'slot/set' }> {
  return setSlot(section, slot, { type: 'text', text }, { list: 'items', nth })
}

/** The sections of the home page. */
export function homeSections(document: SiteDocument): readonly Section[] {
  return sectionsOn(document, homePage(document).id)
}
