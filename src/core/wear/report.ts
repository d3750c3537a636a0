import { countLeftovers, findTemplateSection, pageTexts, sectionRows } from '../fill'
import { findDesign, shownPlaces, type Pack } from '../pack'
import {
  APART,
  entriesOf,
  isEmptyValue,
  pagesOf,
  plainWords,
  refOf,
  sectionsIn,
  sectionsOn,
  type Page,
  type Section,
  type SiteDocument,
  type SlotPlace,
  type Cell,
} from '../site'
import { hasContent } from './fit'

/** What happens to one section when a template is put on: stays where it is, moves, is new, or leaves (it was empty). */
export type SectionChange = {
  readonly section: Section
  readonly type: 'stays' | 'moves' | 'new' | 'leaves'
  /** Places on the page, from 1; null where it does not stand. */
  readonly was: number | null
  readonly becomes: number | null
  /** The new design is the template's own; otherwise the section keeps the one it had. */
  readonly redressed: boolean
  /** What the client has in it that the new design has no place for. */
  readonly notShown: readonly { readonly slot: string; readonly words: string }[]
  readonly leftovers: number
}
export type PageChange = { readonly page: Page; readonly name: string; readonly sections: readonly SectionChange[] }
export type ChangeReport = {
  readonly pages: readonly PageChange[]
  readonly shared: readonly SectionChange[]
  readonly totals: {
    readonly kept: number
    readonly moved: number
    readonly notShown: number
    readonly added: number
    readonly gone: number
    /** Of the whole site, as it is counted now and as it will be counted once the template is on. */
    readonly leftoversNow: number
    readonly leftoversThen: number
  }
}

/** What putting on a template would do to each page of the site, said before it is done. */
export function reportChange(pack: Pack, before: SiteDocument, after: SiteDocument): ChangeReport {
  const pages = pagesOf(after).map((page): PageChange => {
    const sections = changesOf(pack, after, sectionsOn(before, page.id), sectionsOn(after, page.id))
    return { page, name: pageTexts(pack, after, page).name, sections }
  })
  const shared = APART.flatMap((type) => changesOf(pack, after, sectionsIn(before, { type }), sectionsIn(after, { type })))
  const all = [...shared, ...pages.flatMap((p) => p.sections)]
  const count = (type: SectionChange['type']): number => all.filter((c) => c.type === type).length
  return {
    pages,
    shared,
    totals: {
      kept: all.filter((c) => c.becomes !== null && hasContent(after, c.section)).length,
      moved: count('moves'),
      notShown: all.reduce((sum, c) => sum + c.notShown.length, 0),
      added: count('new'),
      gone: count('leaves'),
      leftoversNow: countLeftovers(pack, before).total,
      leftoversThen: countLeftovers(pack, after).total,
    },
  }
}

function changesOf(pack: Pack, after: SiteDocument, old: readonly Section[], now: readonly Section[]): SectionChange[] {
  const stayed = longestRun(now.map((s) => old.findIndex((o) => o.id === s.id)))
  const changes = now.map((section, i): SectionChange => {
    const was = old.findIndex((o) => o.id === section.id)
    return {
      section,
      type: was < 0 ? 'new' : stayed.has(was) ? 'stays' : 'moves',
      was: was < 0 ? null : was + 1,
      becomes: i + 1,
      redressed: findTemplateSection(pack, section.origin, section.kind)?.design === section.design,
      notShown: notShownIn(pack, after, section),
      leftovers: sectionRows(pack, after, section).filter((r) => r.leftover).length,
    }
  })
  const gone = old
    .filter((o) => !now.some((s) => s.id === o.id))
    .map((section): SectionChange => ({
      section,
      type: 'leaves',
      was: old.indexOf(section) + 1,
      becomes: null,
      redressed: false,
      notShown: [],
      leftovers: 0,
    }))
  return [...changes, ...gone]
}

/**
 * The longest run of places that kept their order, of where each thing stood before (-1: nowhere): what is not in it has moved. So
 * one section that is taken from the top to the foot is one that moved, and not all the others.
 */
function longestRun(was: readonly number[]): ReadonlySet<number> {
  const runs: (readonly number[])[] = []
  for (const place of was) {
    if (place < 0) continue
    const before = runs.filter((run) => (run.at(-1) ?? -1) < place)
    const best = before.reduce<readonly number[]>((a, b) => (b.length > a.length ? b : a), [])
    runs.push([...best, place])
  }
  return new Set(runs.reduce<readonly number[]>((a, b) => (b.length > a.length ? b : a), []))
}

export type NotShown = { readonly place: SlotPlace; readonly slot: string; readonly words: string }

/** The client's values that a section's design has no place for: kept, and shown again by the next design that has one. */
export function notShownIn(pack: Pack, document: SiteDocument, section: Section): readonly NotShown[] {
  const design = findDesign(pack, section.kind, section.design)
  const { slots } = design ? shownPlaces(design) : { slots: [] }
  const fieldsOf = (list: string): readonly string[] => slots.find((s) => s.slot === list)?.fields.map((f) => f.slot) ?? []
  const hidden = (place: SlotPlace, value: Cell, isShown: boolean): NotShown[] =>
    value.type === 'same' || value.type === 'list' || isEmptyValue(value) || isShown
      ? []
      : [{ place, slot: placeName(place), words: plainWords(value) }]
  const own = Object.entries(section.slots).flatMap(([slot, value]) =>
    hidden(
      { type: 'slot', section: section.id, entry: null, slot },
      value,
      slots.some((s) => s.slot === slot),
    ),
  )
  const inEntries = entriesOf(document, section.id).flatMap((entry) =>
    Object.entries(entry.slots).flatMap(([slot, value]) =>
      hidden({ type: 'slot', section: section.id, entry: refOf(entry), slot }, value, fieldsOf(entry.in.list).includes(slot)),
    ),
  )
  return [...own, ...inEntries]
}

function placeName({ entry, slot }: SlotPlace): string {
  return entry ? `${entry.list} ${slot}` : slot
}
