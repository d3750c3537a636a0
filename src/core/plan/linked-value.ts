import { pageTexts, sectionRows } from '../fill'
import type { Pack } from '../pack'
import {
  allSections,
  cellAt,
  findSection,
  findSlotType,
  followersOf,
  ownValue,
  pageOfSection,
  partSteps,
  plainWords,
  toEdit,
  whyNotSame,
  type Cell,
  type Edit,
  type EntryId,
  type Follower,
  type Same,
  type Section,
  type SiteDocument,
  type SlotPlace,
  type Spot,
} from '../site'
import { folded } from './jump'

/** A slot that another can be the same as, by the words in it. */
export type SourceChoice = { readonly as: Spot; readonly title: string; readonly detail: string; readonly words: string }

/**
 * Every slot of the site that one can follow, those of its own name first, then as pages have them; of lists, those whose entries it can
 * show.
 */
export function sourceChoices(pack: Pack, document: SiteDocument, spot: Spot): readonly SourceChoice[] {
  return allSections(document)
    .filter(({ same }) => same === undefined)
    .flatMap((section) =>
      sectionRows(pack, document, section).flatMap(({ place, stands, type, label, value, count }): readonly SourceChoice[] => {
        if (place !== stands || (type !== 'list' && value === null) || whyNotSame(document, spot, spotOf(place)) !== null) return []
        const name = `${nameOf(section)}: ${label}`
        const words = value && type !== 'list' ? plainWords(value) : ''
        const title = count ? `${nameOf(section)}, ${count.shown} ${count.shown === 1 ? 'entry' : 'entries'}` : words || name
        const where = whereOf(pack, document, section)
        const detail = count || words === '' ? where : `${name}, ${where}`
        return [{ as: spotOf(place), title, detail, words: folded(`${title} ${detail}`) }]
      }),
    )
    .toSorted((a, b) => Number(b.as.slot === spot.slot) - Number(a.as.slot === spot.slot))
}

function spotOf({ section, entry, slot }: SlotPlace): Spot {
  return { section, entry, slot }
}

function isList({ kind }: Section, slot: string): boolean {
  return findSlotType(kind, null, slot) === 'list'
}

function nameOf({ name, kind }: Section): string {
  return name ?? kind.charAt(0).toUpperCase() + kind.slice(1).replaceAll('-', ' ')
}

function whereOf(pack: Pack, document: SiteDocument, { id }: Section): string {
  const page = pageOfSection(document, id)
  return page ? pageTexts(pack, document, page).name : 'every page'
}

/** What a slot is called among all: of which section, on which page. */
export function spotName(pack: Pack, document: SiteDocument, { section: id, entry, slot }: Spot): string {
  const section = findSection(document, id)
  if (!section) return 'a place that is gone'
  const field = entry ? ` ${slot}` : isList(section, slot) ? '' : `: ${slot.replaceAll('-', ' ')}`
  return `${nameOf(section)}${field}, ${whereOf(pack, document, section)}`
}

/** The edit that lets a slot say the same as another; what it says of its own is kept for later. */
export function linkTo(document: SiteDocument, spot: Spot, as: Spot): Edit {
  return set(spot, { type: 'same', as, own: ownValue(cellAt(document, spot)) })
}

/** The edit that chooses how many entries of the other list are shown; null: all of them. */
export function showOf(spot: Spot, { type, as, own }: Same, show: number | null): Edit {
  return set(spot, { type, as, own, ...(show !== null && { show }) })
}

/** The edit that parts a slot from what it follows, with what it shows now. */
export function unlink(document: SiteDocument, follower: Follower, newId: () => EntryId): Edit {
  return toEdit(partSteps(document, follower, newId))
}

/** The edit that parts a slot from what it follows, with what it said before. */
export function restoreOwn({ spot, same }: Follower): Edit {
  return set(spot, same.own)
}

function set({ section, entry, slot }: Spot, value: Cell | null): Edit {
  return { type: 'slot/set', section, entry, slot, value }
}

/** Where what is kept in a slot is shown besides: how many there of how many, where that is less than all. */
export type AlsoShown = { readonly spot: Spot; readonly where: string; readonly show: number | null }

export function alsoShown(pack: Pack, document: SiteDocument, spot: Spot): readonly AlsoShown[] {
  return followersOf(document, spot).flatMap(({ spot: there, same }): readonly AlsoShown[] => {
    const section = findSection(document, there.section)
    return section ? [{ spot: there, where: whereOf(pack, document, section), show: same.show ?? null }] : []
  })
}

/** The words that a slot said before it followed another; null where it said none. */
export function wordsBefore({ own }: Same): string | null {
  return own && own.type !== 'list' ? plainWords(own) || null : null
}
