import { contentOf, fixedList, shownEntries, type ShownEntry } from '../fill'
import type { Pack } from '../pack'
import {
  applyEdit,
  cellAt,
  entriesOf,
  findSection,
  naturalRank,
  rankBetween,
  ranks,
  refOf,
  sourceOf,
  toEdit,
  type Edit,
  type EditStep,
  type EntryId,
  type EntryRef,
  type SectionId,
  type SiteDocument,
  type Spot,
} from '../site'

/** A list on a site: of which section, by its slot. */
export type ListAt = { readonly section: SectionId; readonly list: string }

/** What can be done with entries of a list, one or many at once. */
export type EntryAct = 'copy' | 'hide' | 'show' | 'out' | 'up' | 'down'

/** A list with its entries as they stand, and the step that fixes how many of the template's it begins with. */
type List = ListAt & { readonly entries: readonly ShownEntry[]; readonly fixed: readonly EditStep[] }

function findList(pack: Pack, document: SiteDocument, at: ListAt): List | null {
  const section = findSection(document, at.section)
  if (!section) return null
  const content = contentOf(pack, document, section)
  return { ...at, entries: shownEntries(content, at.list), fixed: fixedList(content, at.list) }
}

/** The entries of a list as they stand, those that are hidden among them; none where the section is gone. */
export function entriesAt(pack: Pack, document: SiteDocument, at: ListAt): readonly ShownEntry[] {
  return findList(pack, document, at)?.entries ?? []
}

/** Adds an entry after another, by its key; null: at the end. */
export function addEntry(pack: Pack, document: SiteDocument, at: ListAt, after: string | null, id: EntryId): Edit | null {
  const list = findList(pack, document, at)
  if (!list) return null
  const { entries } = list
  const here = after === null ? entries.length - 1 : entries.findIndex(({ key }) => key === after)
  const rank = rankBetween(entries[here]?.rank ?? null, entries[here + 1]?.rank ?? null)
  return edit(list, [{ type: 'entry/insert', section: at.section, entry: { list: at.list, id }, rank, slots: {} }])
}

/** Does one thing with some entries of a list, by their keys, as one edit; null where it changes nothing. */
export function actOnEntries(
  pack: Pack,
  document: SiteDocument,
  at: ListAt,
  keys: readonly string[],
  act: EntryAct,
  newId: () => EntryId,
): Edit | null {
  const list = findList(pack, document, at)
  const chosen = list?.entries.filter(({ key }) => keys.includes(key)) ?? []
  if (!list || chosen.length === 0) return null
  switch (act) {
    case 'copy':
      return edit(list, copySteps(list, chosen, newId))
    case 'hide':
    case 'show':
      return edit(list, hideSteps(list, chosen, act === 'hide'))
    case 'out':
      return edit(
        list,
        chosen.map(({ ref }) => ({ type: 'entry/remove', section: at.section, entry: ref })),
      )
    case 'up':
    case 'down':
      return stepEntries(list, chosen, act)
    default:
      return act satisfies never
  }
}

/** Puts entries, in the order in which they stand, before another, by its key; null: at the end. */
export function moveEntries(pack: Pack, document: SiteDocument, at: ListAt, keys: readonly string[], before: string | null): Edit | null {
  const list = findList(pack, document, at)
  const moved = list?.entries.filter(({ key }) => keys.includes(key)) ?? []
  return list && moved.length > 0 ? placed(list, moved, before) : null
}

/** Puts all entries of a list in an order; null where they stand so. */
export function orderEntries(pack: Pack, document: SiteDocument, at: ListAt, wanted: readonly ShownEntry[]): Edit | null {
  const list = findList(pack, document, at)
  if (!list || wanted.every(({ key }, i) => key === list.entries[i]?.key)) return null
  const places = ranks(wanted.length)
  return edit(
    list,
    wanted.map(({ ref }, i) => ({ type: 'entry/move', section: at.section, entry: ref, rank: places[i] ?? '' })),
  )
}

/** The template's entries again, in its order; those that were added leave. */
export function resetEntries(document: SiteDocument, { section, list }: ListAt): Edit {
  const records = entriesOf(document, section).filter((e) => e.in.list === list)
  const back = records.flatMap((record): EditStep[] => {
    const at = { section, entry: refOf(record) }
    if (record.nth === null) return [{ type: 'entry/remove', ...at }]
    const rank = naturalRank(record.nth)
    const shown: EditStep[] = record.hidden ? [{ type: 'entry/set', ...at, part: 'hidden', value: null }] : []
    if (record.gone) return [{ type: 'entry/insert', ...at, rank, slots: {} }, ...shown]
    return record.rank === rank ? shown : [{ type: 'entry/move', ...at, rank }, ...shown]
  })
  return toEdit([...back, { type: 'slot/set', section, entry: null, slot: list, value: null }])
}

function edit({ fixed }: List, steps: readonly EditStep[]): Edit | null {
  return steps.length === 0 ? null : toEdit([...fixed, ...steps])
}

/** Copies stand together, after the last of what was copied. What is a leftover there is one here. */
function copySteps({ section, list, entries }: List, chosen: readonly ShownEntry[], newId: () => EntryId): EditStep[] {
  const last = entries.indexOf(chosen.at(-1)!)
  const next = entries[last + 1]?.rank ?? null
  let rank = entries[last]?.rank ?? null
  return chosen.map(({ slots }): EditStep => {
    rank = rankBetween(rank, next)
    return { type: 'entry/insert', section, entry: { list, id: newId() }, rank, slots }
  })
}

function hideSteps({ section }: List, chosen: readonly ShownEntry[], isHidden: boolean): EditStep[] {
  return chosen
    .filter(({ hidden }) => hidden !== isHidden)
    .map(({ ref }) => ({ type: 'entry/set', section, entry: ref, part: 'hidden', value: isHidden ? true : null }))
}

/** One spot up or down, together: those that stand apart come together. */
function stepEntries(list: List, chosen: readonly ShownEntry[], way: 'up' | 'down'): Edit | null {
  const { entries } = list
  const [first, last] = [entries.indexOf(chosen[0]!), entries.indexOf(chosen.at(-1)!)]
  const spot = way === 'up' ? first - 1 : last + 2
  if (spot < 0 || (way === 'down' && last === entries.length - 1)) return null
  return placed(list, chosen, entries[spot]?.key ?? null)
}

function placed(list: List, moved: readonly ShownEntry[], before: string | null): Edit | null {
  const others = list.entries.filter((entry) => !moved.includes(entry))
  const found = others.findIndex(({ key }) => key === before)
  const at = found < 0 ? others.length : found
  const wanted = [...others.slice(0, at), ...moved, ...others.slice(at)]
  if (wanted.every((entry, i) => entry === list.entries[i])) return null
  let rank = others[at - 1]?.rank ?? null
  const next = others[at]?.rank ?? null
  return edit(
    list,
    moved.map(({ ref }): EditStep => {
      rank = rankBetween(rank, next)
      return { type: 'entry/move', section: list.section, entry: ref, rank }
    }),
  )
}

/** The site as it would be with so many entries in a list: the first of those there are, or all of them over again. For trying out only. */
export function withEntryCount(pack: Pack, document: SiteDocument, at: ListAt, wanted: number): SiteDocument {
  const spot: Spot = { section: at.section, entry: null, slot: at.list }
  const cell = cellAt(document, spot)
  const kept = sourceOf(document, spot)
  const list = findList(pack, document, { section: kept.section, list: kept.slot })
  const shown = list?.entries.filter(({ hidden }) => !hidden) ?? []
  if (!list || shown.length === 0) return document
  const more = moreEntries(list, shown, wanted - shown.length)
  // One that follows another shows fewer of its entries; the other has them all.
  const less: readonly EditStep[] =
    cell?.type === 'same'
      ? [{ type: 'slot/set', ...spot, value: { ...cell, show: wanted } }]
      : shown.slice(wanted).map(({ ref }) => ({ type: 'entry/remove', section: list.section, entry: ref }))
  const applied = applyEdit(document, toEdit([...list.fixed, ...more, ...less]))
  return applied.ok ? applied.document : document
}

/** So many more entries, which say what those that are shown say, over again. */
function moreEntries(list: List, shown: readonly ShownEntry[], count: number): EditStep[] {
  let rank = list.entries.at(-1)?.rank ?? null
  return Array.from({ length: Math.max(0, count) }, (_, i): EditStep => {
    const { placeholder, slots } = shown[i % shown.length] ?? { placeholder: {}, slots: {} }
    rank = rankBetween(rank, null)
    const entry: EntryRef = { list: list.list, id: `tried-${i}` as EntryId }
    return { type: 'entry/insert', section: list.section, entry, rank, slots: { ...placeholder, ...slots } }
  })
}
