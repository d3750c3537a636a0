import { sectionsIn, shownSection, type EditStep, type PageId, type Section, type SectionId, type SiteDocument } from '../site'
import type { Unique } from './add-page'
import { passOnShared } from './pass-on-shared'
import { copySteps, rankAt } from './sections'

/** The step that lets a section stand on another page too, at its end: the same one, changed once for all. */
export function shareOn(document: SiteDocument, section: Section, page: PageId, unique: Unique): EditStep {
  const { kind, design, tone, origin, id } = shownSection(document, section)
  const where = { type: 'page', page } as const
  const after = sectionsIn(document, where).at(-1)?.id ?? null
  const placed = { id: `s-${unique()}` as SectionId, in: where, rank: rankAt(document, { in: where, after }) }
  return { type: 'section/insert', section: { kind, design, tone, origin, ...placed, slots: {}, same: id } }
}

/** The steps that make of a shared section one of its page's own, with what is in it now; the other pages go on sharing the one. */
export function ownAgain(document: SiteDocument, section: Section, unique: Unique): readonly EditStep[] {
  const shown = shownSection(document, section)
  const left = passOnShared(document, [section.id], (one) => one.id === section.id)
  if (shown === section && left.length === 0) return []
  const placed = { id: `s-${unique()}` as SectionId, in: section.in, rank: section.rank }
  const gone: readonly EditStep[] = shown === section ? left : [{ type: 'section/remove', section: section.id }]
  return [...gone, ...copySteps(document, shown, placed, true, unique)]
}
