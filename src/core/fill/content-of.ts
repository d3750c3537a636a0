import { own } from '../own'
import {
  cellAt,
  entriesOf,
  entryKey,
  findSection,
  followedFrom,
  followersIn,
  slotTypeAt,
  type Entry,
  type EntryRef,
  type Follower,
  type Same,
  type Section,
  type SectionId,
  type SiteDocument,
  type Slots,
  type SlotValue,
  type Spot,
} from '../site'
import type { Pack } from '../pack'
import { plainContent, shownEntries, shownEntrySlot, shownSlot, type Content, type Kept, type Shown, type ShownEntry } from './content'

/** The sections that something was found in, as they were, with their entries. */
type Touched = Map<SectionId, readonly [section: Section | null, entries: readonly Entry[]]>
type Known = { readonly pack: Pack; readonly entries: readonly Entry[]; readonly of: Touched; readonly content: Content }

const contents = new WeakMap<Section, Known>()

/**
 * What is shown in a section. Records are never changed in place, so of a section that stayed the same, and of what it follows, the very
 * content of before is given.
 */
export function contentOf(pack: Pack, document: SiteDocument, section: Section): Content {
  const entries = entriesOf(document, section.id)
  const known = contents.get(section)
  if (known?.pack === pack && known.entries === entries && isAsBefore(document, known.of)) return known.content
  const of: Touched = new Map()
  const content = makeContent({ pack, document, of }, section)
  contents.set(section, { pack, entries, of, content })
  return content
}

/** What a place shows: the client's, or the template's; null where nothing does, or the place is gone. */
export function shownAt(pack: Pack, document: SiteDocument, { section: id, entry, slot }: Spot): SlotValue | null {
  const section = findSection(document, id)
  return section ? (shownOf(contentOf(pack, document, section), entry, slot)?.value ?? null) : null
}

function shownOf(content: Content, entry: EntryRef | null, slot: string): Shown | null {
  if (entry === null) return shownSlot(content, slot)
  const shown = shownEntries(content, entry.list).find(({ key }) => key === entryKey(content.section.id, entry))
  return shown ? shownEntrySlot(shown, slot) : null
}

function isAsBefore(document: SiteDocument, touched: Touched): boolean {
  for (const [id, [section, entries]] of touched)
    if (findSection(document, id) !== section || entriesOf(document, id) !== entries) return false
  return true
}

type Search = { readonly pack: Pack; readonly document: SiteDocument; readonly of: Touched }

function makeContent(search: Search, section: Section): Content {
  const { pack, document } = search
  const plain = plainContent(pack, document, section)
  const following = followersIn(document, section)
  if (following.length === 0) return plain
  const isList = ({ spot }: Follower): boolean => slotTypeAt(document, spot) === 'list'
  const single = following.filter((one) => one.spot.entry === null && !isList(one))
  const { slots, placeholder, from } = laidOver(search, plain.slots, plain.placeholders.slots, single)
  const wholes = following.filter(isList).flatMap(({ spot, same }) => {
    const at = findSource(search, spot)
    return at ? [[spot.slot, { at, same }] as const] : []
  })
  const names = new Set(following.flatMap((one) => one.spot.entry?.list ?? (isList(one) ? one.spot.slot : [])))
  const lists = [...names].map((list) => [list, entriesShown(search, section, list)] as const)
  return {
    ...plain,
    slots,
    placeholders: { ...plain.placeholders, slots: placeholder },
    from: { ...from, ...Object.fromEntries(wholes) },
    lists: Object.fromEntries(lists.map(([list, { shown }]) => [list, shown])),
    there: Object.fromEntries(lists.map(([list, { there }]) => [list, there])),
  }
}

/** Where what a slot says is kept; null where that is the slot itself. Every section that was asked on the way is noted. */
function findSource({ document, of }: Search, spot: Spot): Spot | null {
  const line = followedFrom(document, spot)
  const last = line.at(-1) ?? spot
  const cell = cellAt(document, last)
  const asked = [...line.map(({ section }) => section), ...(cell?.type === 'same' ? [cell.as.section] : [])]
  for (const id of asked) of.set(id, [findSection(document, id), entriesOf(document, id)])
  return line.length > 1 ? last : null
}

type Over = Pick<ShownEntry, 'slots' | 'placeholder' | 'from'>

/** Values and the words under them, with what some of the slots follow: that is there as the client's, or as the template's. */
function laidOver(search: Search, slots: Over['slots'], placeholder: Over['slots'], following: readonly Follower[]): Over {
  const over = { slots: new Map(Object.entries(slots)), placeholder: new Map(Object.entries(placeholder)), from: new Map<string, Kept>() }
  for (const { spot, same } of following) {
    const at = findSource(search, spot)
    if (!at) continue
    const shown = shownIn(search, at)
    over.slots.delete(spot.slot)
    if (shown && !shown.leftover) over.slots.set(spot.slot, shown.value)
    else if (shown) over.placeholder.set(spot.slot, shown.value)
    else over.placeholder.delete(spot.slot)
    over.from.set(spot.slot, { at, same })
  }
  return {
    slots: Object.fromEntries(over.slots),
    placeholder: Object.fromEntries(over.placeholder),
    from: Object.fromEntries(over.from),
  }
}

/** What a slot shows that follows none. */
function shownIn({ pack, document }: Search, { section: id, entry, slot }: Spot): Shown | null {
  const section = findSection(document, id)
  return section && shownOf(plainContent(pack, document, section), entry, slot)
}

/** The entries that a list shows: its own, or as many as are asked for of those that another has. */
function entriesShown(search: Search, section: Section, list: string): { readonly shown: readonly ShownEntry[]; readonly there: number } {
  const { pack, document } = search
  const spot: Spot = { section: section.id, entry: null, slot: list }
  const at = findSource(search, spot)
  const kept = findSection(document, at?.section ?? section.id) ?? section
  const entries = shownEntries(plainContent(pack, document, kept), at?.slot ?? list)
  const open = at ? entries.filter(({ hidden }) => !hidden) : entries
  const shown = open.slice(0, at ? mostShown(document, spot) : entries.length)
  return { shown: shown.map((entry) => withFollowed(search, entry)), there: open.length }
}

/** How many entries a list shows at most, by its own word and by those of the lists that it follows. */
function mostShown(document: SiteDocument, spot: Spot): number {
  return Math.min(
    ...followedFrom(document, spot).map((one) => {
      const cell = cellAt(document, one)
      return cell?.type === 'same' ? (cell.show ?? Infinity) : Infinity
    }),
  )
}

function withFollowed(search: Search, entry: ShownEntry): ShownEntry {
  const slots: Slots = own(search.document.entries, entry.key)?.slots ?? {}
  const following = Object.entries(slots).flatMap(([slot, cell]): readonly Follower[] =>
    cell.type === 'same' ? [{ spot: { section: entry.section, entry: entry.ref, slot }, same: cell satisfies Same }] : [],
  )
  return following.length === 0 ? entry : { ...entry, ...laidOver(search, entry.slots, entry.placeholder, following) }
}
