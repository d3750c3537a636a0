import { memoBy, memoOf } from '../../memo'
import { own } from '../../own'
import { findSlotType, KINDS, type KindSlots } from '../kinds'
import type { SlotType, SlotValue } from '../values/slot-value'
import { ownValue, type Cell, type Same, type Slots, type Spot } from './cell'
import { entriesOf, findSection, type SiteDocument } from './document'
import { entryKey, placeOfEntry, refOf, type Entry } from './entry'
import type { PageId } from './ids'
import { groupsOf } from './order'
import { placeKey } from './place'
import { placeOfSection, type Section } from './section'
import { pagesShowing, reachOf, shownSection } from './shared'

/** What a slot holds, whether a value or that it is the same as another; undefined where nothing was ever put there. */
export function cellAt(document: SiteDocument, { section, entry, slot }: Spot): Cell | undefined {
  if (entry === null) return own(findSection(document, section)?.slots ?? {}, slot)
  return own(own(document.entries, entryKey(section, entry))?.slots ?? {}, slot)
}

/** What a spot takes: asked of the entry where it is a block, else of the section's kind. Null for one that nothing has. */
export function slotTypeAt(document: SiteDocument, { section, entry, slot }: Spot): SlotType | 'list' | null {
  const found = findSection(document, section)
  if (!found) return null
  const record = entry && own(document.entries, entryKey(section, entry))
  return findSlotType(found.kind, entry?.list ?? null, slot, record?.block)
}

/**
 * Where what a slot says is kept: at the end of the line of those that it follows, else there itself. A line that comes back on itself, as
 * two hands can make one, is followed no further.
 */
export function sourceOf(document: SiteDocument, spot: Spot): Spot {
  return followedFrom(document, spot).at(-1) ?? spot
}

/** A slot with those that it follows one after another, itself first. */
export function followedFrom(document: SiteDocument, spot: Spot): readonly Spot[] {
  const line = [spot]
  for (let next = leads(document, spot); next && !line.some((one) => isSameSpot(one, next as Spot)); next = leads(document, next))
    line.push(next)
  return line
}

function leads(document: SiteDocument, spot: Spot): Spot | null {
  const cell = cellAt(document, spot)
  const there = cell?.type === 'same' ? findSpot(document, cell.as) : null
  return there && fitsAs(document, spot, there) ? there : null
}

/** The spot as it stands now, of a section that shows another's the other's; null where it is gone. */
function findSpot(document: SiteDocument, spot: Spot): Spot | null {
  const section = findSection(document, spot.section)
  if (!section) return null
  const { id } = shownSection(document, section)
  if (spot.entry !== null) {
    const record = own(document.entries, entryKey(id, spot.entry))
    if (record ? record.gone : !('nth' in spot.entry)) return null
  }
  return id === spot.section ? spot : { ...spot, section: id }
}

export function isSameSpot(a: Spot, b: Spot): boolean {
  return placeKey({ ...a, type: 'slot' }) === placeKey({ ...b, type: 'slot' })
}

/** Why a slot cannot follow another; null where it can. */
export function whyNotSame(document: SiteDocument, spot: Spot, as: Spot): 'gone' | 'otherType' | 'itself' | null {
  const there = findSpot(document, as)
  if (!there) return 'gone'
  if (!fitsAs(document, spot, there)) return 'otherType'
  return followedFrom(document, there).some((one) => isSameSpot(one, spot)) ? 'itself' : null
}

/** Whether two spots take the same; of two lists, whether entries of the one can be shown by the other. */
function fitsAs(document: SiteDocument, spot: Spot, as: Spot): boolean {
  const [here, there] = [findSection(document, spot.section), findSection(document, as.section)]
  if (!here || !there) return false
  const type = slotTypeAt(document, spot)
  if (type === null || type !== slotTypeAt(document, as)) return false
  return type !== 'list' || areListsAlike(fieldsOf(here, spot.slot), fieldsOf(there, as.slot))
}

type Fields = Readonly<Record<string, SlotType>>

function fieldsOf({ kind }: Section, list: string): Fields {
  const slots: KindSlots = KINDS[kind]
  const of = own(slots, list)
  return typeof of === 'object' ? of.list : {}
}

/** What both have has one type in both, and what a list is named by in one (its first field) is among it. */
function areListsAlike(a: Fields, b: Fields): boolean {
  const both = Object.keys(a).filter((name) => own(b, name) !== undefined)
  const [first] = Object.keys(a)
  return first !== undefined && both.includes(first) && both.every((name) => own(a, name) === own(b, name))
}

/** A slot that follows another. */
export type Follower = { readonly spot: Spot; readonly same: Same }

const NOBODY: readonly Follower[] = []
const NONE: readonly (readonly [string, Same])[] = []

const samesIn = memoOf((slots: Slots) => {
  const all = Object.entries(slots).flatMap(([slot, cell]) => (cell.type === 'same' ? [[slot, cell] as const] : []))
  return all.length === 0 ? NONE : all
})

/** The slots of a section, and of its entries, that follow others. */
export function followersIn(document: SiteDocument, section: Section): readonly Follower[] {
  const of = samesIn(section.slots)
  const entries = entriesOf(document, section.id)
  if (of === NONE && entries.every(({ slots }) => samesIn(slots) === NONE)) return NOBODY
  return [
    ...of.map(([slot, same]) => ({ spot: { section: section.id, entry: null, slot }, same })),
    ...entries.flatMap((entry: Entry) =>
      samesIn(entry.slots).map(([slot, same]) => ({ spot: { section: section.id, entry: refOf(entry), slot }, same })),
    ),
  ]
}

type Filled = { readonly slots: Slots }

/** Whether a slot of any of these follows another. */
const isAnyFollowing = memoOf((group: readonly Filled[]) => group.some(({ slots }) => samesIn(slots) !== NONE))

/** Every slot of the site that follows another. On most sites none does, and a key press does not look through all of a large one again. */
export const followers = memoBy(
  ({ sections, entries }: SiteDocument) => [sections, entries],
  (document): readonly Follower[] => {
    const { sections, entries } = document
    const groups: readonly (readonly Filled[])[] = [...groupsOf(sections, placeOfSection), ...groupsOf(entries, placeOfEntry)]
    return groups.some(isAnyFollowing) ? Object.values(sections).flatMap((section) => followersIn(document, section)) : NOBODY
  },
)

/** The pages on which what is kept in a slot is shown: where it stands, and where it, or its list, is followed. */
export function pagesShowingSpot(document: SiteDocument, spot: Spot): readonly PageId[] {
  const list = spot.entry && { section: spot.section, entry: null, slot: spot.entry.list }
  const all = [spot, ...(list ? [list] : [])].flatMap((one) => followersOf(document, one).map((follower) => follower.spot.section))
  return [...new Set([spot.section, ...all].flatMap((section) => pagesShowing(document, section)))]
}

/** Whether anything follows a slot of a section. */
export function isFollowed(document: SiteDocument, section: string): boolean {
  return followers(document).some(({ same }) => same.as.section === section)
}

/** How far words reach that are written in a section: where it stands, and where something of it is kept or followed besides. */
export function reachOfWords(document: SiteDocument, section: Section): string {
  const reach = reachOf(document, section.id)
  const sources = followersIn(document, section).map(({ spot }) => sourceOf(document, spot).section)
  const shown = followers(document).filter(({ spot }) => sourceOf(document, spot).section === section.id)
  const others = [...sources, ...shown.map(({ spot }) => spot.section)].filter((id) => id !== section.id)
  if (others.length === 0 || reach === 'every page') return reach
  if (others.some((id) => pagesShowing(document, id).length === 0)) return `${reach} and, in part, every page`
  const pages = pagesShowing(document, section.id)
  const more = new Set(others.flatMap((id) => pagesShowing(document, id)).filter((page) => !pages.includes(page))).size
  return more === 0 ? reach : `${reach} and, in part, ${more} other${more === 1 ? '' : 's'}`
}

/** The slots that show what is kept in one, however long the line is. */
export function followersOf(document: SiteDocument, spot: Spot): readonly Follower[] {
  return followers(document).filter((one) => isSameSpot(sourceOf(document, one.spot), spot) && !isSameSpot(one.spot, spot))
}

/** What the client has put into the slots that a section shows, wherever it is kept; the template's words are not among it. */
export function valuesShown(document: SiteDocument, standing: Section): readonly SlotValue[] {
  const section = shownSection(document, standing)
  const valueAt = (spot: Spot): readonly SlotValue[] => {
    const value = ownValue(cellAt(document, sourceOf(document, spot)))
    return value ? [value] : []
  }
  const slots = Object.keys(section.slots).map((slot): Spot => ({ section: section.id, entry: null, slot }))
  const lists = followersIn(document, section).flatMap(({ spot }) => {
    const at = sourceOf(document, spot)
    return spot.entry === null && !isSameSpot(at, spot) ? [{ list: spot.slot, at }] : []
  })
  const entries = [
    ...entriesOf(document, section.id).filter((entry) => !lists.some(({ list }) => list === entry.in.list)),
    ...lists.flatMap(({ at }) => entriesOf(document, at.section).filter((entry) => entry.in.list === at.slot)),
  ]
  const fields = entries.flatMap((entry) =>
    Object.keys(entry.slots).map((slot): Spot => ({ section: entry.in.section, entry: refOf(entry), slot })),
  )
  return [...slots, ...fields].flatMap(valueAt)
}
