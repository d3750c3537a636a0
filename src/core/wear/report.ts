import { findTemplateSection, getDesign, pageTexts, sectionRows, shownPlaces, type Pack } from '../pack'
import { isEmptyValue, plainWords, type Page, type Section, type SiteDocument } from '../site'
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
  readonly totals: { readonly kept: number; readonly moved: number; readonly notShown: number; readonly added: number; readonly gone: number; readonly addedLeftovers: number }
}

/** What putting on a template would do to each page of the site, said before it is done. */
export function reportChange(pack: Pack, before: SiteDocument, after: SiteDocument): ChangeReport {
  const pages = after.pages.map((page): PageChange => {
    const old = before.pages.find((p) => p.id === page.id)?.sections ?? []
    return { page, name: pageTexts(pack, after, page).name, sections: changesOf(pack, after, old, page.sections) }
  })
  const shared = changesOf(pack, after, [before.header, before.footer], [after.header, after.footer])
  const all = [...shared, ...pages.flatMap((p) => p.sections)]
  const count = (type: SectionChange['type']): number => all.filter((c) => c.type === type).length
  return {
    pages, shared,
    totals: {
      kept: all.filter((c) => c.becomes !== null && hasContent(c.section)).length,
      moved: count('moves'),
      notShown: all.reduce((sum, c) => sum + c.notShown.length, 0),
      added: count('new'),
      gone: count('leaves'),
      addedLeftovers: all.filter((c) => c.type === 'new').reduce((sum, c) => sum + c.leftovers, 0),
    },
  }
}

function changesOf(pack: Pack, after: SiteDocument, old: readonly Section[], now: readonly Section[]): SectionChange[] {
  const stayed = now.filter((s) => old.some((o) => o.id === s.id)).map((s) => s.id)
  const order = old.filter((o) => stayed.includes(o.id)).map((o) => o.id)
  const changes = now.map((section, i): SectionChange => {
    const was = old.findIndex((o) => o.id === section.id)
    return {
      section,
      type: was < 0 ? 'new' : order.indexOf(section.id) === stayed.indexOf(section.id) ? 'stays' : 'moves',
      was: was < 0 ? null : was + 1,
      becomes: i + 1,
      redressed: findTemplateSection(pack, after, section)?.design === section.design,
      notShown: notShownIn(pack, section),
      leftovers: sectionRows(pack, after, section).filter((r) => r.leftover).length,
    }
  })
  const gone = old.filter((o) => !now.some((s) => s.id === o.id)).map((section): SectionChange =>
    ({ section, type: 'leaves', was: old.indexOf(section) + 1, becomes: null, redressed: false, notShown: [], leftovers: 0 }))
  return [...changes, ...gone]
}

/** The client's values that a section's design has no place for: kept, and shown again by the next design that has one. */
export function notShownIn(pack: Pack, section: Section): readonly { readonly slot: string; readonly words: string }[] {
  const { slots } = shownPlaces(getDesign(pack, section.kind, section.design))
  const isShown = (path: string): boolean => {
    const [name, , field] = path.split('/')
    const slot = slots.find((s) => s.slot === name)
    return slot !== undefined && (field === undefined || slot.fields.some((f) => f.slot === field))
  }
  return Object.entries(section.slots)
    .filter(([path, value]) => value.type !== 'list' && !isEmptyValue(value) && !isShown(path))
    .map(([slot, value]) => ({ slot, words: plainWords(value) }))
}
