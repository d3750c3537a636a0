import {
  entriesOf,
  findSection,
  naturalRank,
  rankBetween,
  sectionsIn,
  shownSection,
  type Edit,
  type EditStep,
  type Entry,
  type EntryId,
  type EntryRef,
  type PageId,
  type Section,
  type SectionId,
  type SectionIn,
  type SiteDocument,
} from '../site'
import { designsOf, findDesign, type Pack } from '../pack'
import type { Unique } from './add-page'
import { passOnShared } from './pass-on-shared'

/** A spot for a section: a place, and the section there that it comes after; null: first. */
export type Spot = { readonly in: SectionIn; readonly after: SectionId | null }

/** The rank of a spot; `except` is the section that moves there, which does not count as a neighbour. */
export function rankAt(document: SiteDocument, { in: where, after }: Spot, except: SectionId | null = null): string {
  const there = sectionsIn(document, where).filter(({ id }) => id !== except)
  const at = after === null ? 0 : there.findIndex(({ id }) => id === after) + 1
  return rankBetween(there[at - 1]?.rank ?? null, there[at]?.rank ?? null)
}

/** The step that puts a section at a spot. */
export function moveTo(document: SiteDocument, section: SectionId, spot: Spot): EditStep {
  return { type: 'section/move', section, in: spot.in, rank: rankAt(document, spot, section) }
}

/** The steps that put sections at a spot one after another, in the order given. */
export function moveAll(document: SiteDocument, sections: readonly SectionId[], spot: Spot): readonly EditStep[] {
  const at = ranksAt(document, spot, sections)
  return sections.map((section, i): EditStep => ({ type: 'section/move', section, in: spot.in, rank: at[i] ?? 'a0' }))
}

/** Ranks for several at a spot; those of `moved` that stand there already do not count as neighbours. */
function ranksAt(document: SiteDocument, { in: where, after }: Spot, moved: readonly SectionId[]): readonly string[] {
  const there = sectionsIn(document, where).filter(({ id }) => !moved.includes(id))
  const at = after === null ? 0 : there.findIndex(({ id }) => id === after) + 1
  const next = there[at]?.rank ?? null
  let before = there[at - 1]?.rank ?? null
  return moved.map(() => (before = rankBetween(before, next)))
}

/** Whether a kind of section can stand in a place: a header and a footer stand where every page has them, and nowhere else. */
export function canStand(kind: Section['kind'], where: SectionIn): boolean {
  if (kind === 'header' || kind === 'footer') return where.type === kind
  return where.type !== 'notFound'
}

/** Whether a section can stand in a place as it looks now: in a column at the side of a page only what its design says can stand narrow. */
export function canLook(pack: Pack, { kind, design }: Pick<Section, 'kind' | 'design'>, where: SectionIn): boolean {
  return canStand(kind, where) && (where.type !== 'side' || findDesign(pack, kind, design)?.narrow === true)
}

/** The designs of a kind that can stand in a place. */
export function designsIn(pack: Pack, kind: Section['kind'], where: SectionIn): readonly string[] {
  return designsOf(pack, kind).filter((design) => canLook(pack, { kind, design }, where))
}

/** One step up or down where it stands; null at the end. */
export function stepSection(document: SiteDocument, id: SectionId, by: -1 | 1): EditStep | null {
  const section = findSection(document, id)
  if (!section) return null
  const there = sectionsIn(document, section.in)
  const at = there.indexOf(section)
  const other = there[at + by]
  if (!other) return null
  return moveTo(document, id, { in: section.in, after: by < 0 ? (there[at - 2]?.id ?? null) : other.id })
}

type Placed = Pick<Section, 'id' | 'in' | 'rank'>

/** The steps that put a copy of a section somewhere, with what is in it or without. The name that links find it by stays with the first. */
export function copySteps(
  document: SiteDocument,
  standing: Section,
  to: Placed,
  withContent: boolean,
  unique: Unique,
): readonly EditStep[] {
  const section = shownSection(document, standing)
  const { anchor: _, ...rest } = section
  const insert: EditStep = { type: 'section/insert', section: { ...rest, ...to, slots: withContent ? section.slots : {} } }
  if (!withContent) return [insert]
  return [insert, ...entriesOf(document, section.id).flatMap((entry) => entrySteps(to.id, { ...entry, list: entry.in.list }, unique))]
}

/** An entry without the section that it stands in. */
export type LooseEntry = Pick<Entry, 'nth' | 'rank' | 'slots' | 'gone' | 'hidden'> & { readonly list: string }

/** The steps that make an entry of a section what it is elsewhere: one that was added comes under an id of its own. */
export function entrySteps(section: SectionId, { list, nth, rank, slots, gone, hidden }: LooseEntry, unique: Unique): readonly EditStep[] {
  const entry: EntryRef = nth === null ? { list, id: `e${unique()}` as EntryId } : { list, nth }
  const at = { section, entry }
  const hide: readonly EditStep[] = hidden ? [{ type: 'entry/set', ...at, part: 'hidden', value: true }] : []
  if (nth === null) return [{ type: 'entry/insert', ...at, rank, slots }, ...hide]
  return [
    ...Object.entries(slots).map(([slot, value]): EditStep => ({ type: 'slot/set', ...at, slot, value })),
    ...(rank === naturalRank(nth) ? [] : [{ type: 'entry/move', ...at, rank } as const]),
    ...hide,
    ...(gone ? [{ type: 'entry/remove', ...at } as const] : []),
  ]
}

/** A copy of a section right after it, or at another spot. */
export function copySection(
  document: SiteDocument,
  section: Section,
  spot: Spot,
  unique: Unique,
): { readonly steps: readonly EditStep[]; readonly section: SectionId } {
  const id = `s-${unique()}` as SectionId
  return { section: id, steps: copySteps(document, section, { id, in: spot.in, rank: rankAt(document, spot) }, true, unique) }
}

/** Copies of sections at the end of a page, in order. */
export function copyAll(
  document: SiteDocument,
  sections: readonly Section[],
  page: PageId,
  unique: Unique,
): { readonly steps: readonly EditStep[]; readonly sections: readonly SectionId[] } {
  const where: SectionIn = { type: 'page', page }
  const ids = sections.map(() => `s-${unique()}` as SectionId)
  const ranks = ranksAt(document, { in: where, after: sectionsIn(document, where).at(-1)?.id ?? null }, ids)
  const steps = sections.flatMap((section, i) =>
    copySteps(document, section, { id: ids[i] as SectionId, in: where, rank: ranks[i] ?? 'a0' }, true, unique),
  )
  return { steps, sections: ids }
}

/** The edit that takes sections out, each with everything in it; what other pages show of one stays there. */
export function removeSections(document: SiteDocument, sections: readonly SectionId[]): Edit {
  const kept = passOnShared(document, sections, (one) => sections.includes(one.id))
  const moved = new Set(kept.flatMap((step) => (step.type === 'section/move' ? [step.section] : [])))
  const gone = sections.filter((id) => !moved.has(id)).map((section) => ({ type: 'section/remove', section }) as const)
  return { type: 'batch', edits: [...kept, ...gone] }
}
