import { findSection, sharersOf, type EditStep, type Section, type SectionId, type SiteDocument } from '../site'

/**
 * The steps that let shared sections outlive the places that go: what others show of one moves to the first of them that stays. `goes` says
 * of a section whether it goes.
 */
export function passOnShared(
  document: SiteDocument,
  going: readonly SectionId[],
  goes: (section: Section) => boolean,
): readonly EditStep[] {
  return going.flatMap((id): readonly EditStep[] => {
    const section = findSection(document, id)
    const heir = sharersOf(document, id).find((one) => !goes(one))
    if (!section || !heir) return []
    return [
      { type: 'section/move', section: id, in: heir.in, rank: heir.rank },
      { type: 'section/remove', section: heir.id },
    ]
  })
}
