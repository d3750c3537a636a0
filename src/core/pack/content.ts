import type { Section, SiteDocument, SlotValue } from '../site'
import { designKey } from './design'
import { getDesign, getTemplate, type Pack } from './pack'
import type { TemplateSection } from './template'

/** What stands in a slot now, and whether it is still the template's. */
export type Shown = { readonly value: SlotValue; readonly leftover: boolean }
type Placeholders = Readonly<Record<string, SlotValue>>

/** Id of the section that stands on the page for wrong addresses; it is the template's and belongs to no document. */
export const NOT_FOUND = 'not-found'

const merged = new WeakMap<Pack, Map<string, Placeholders>>()

/** The placeholder content of a section: the template's for that place, over the design's own. */
export function sectionPlaceholders(pack: Pack, document: SiteDocument, section: Section): Placeholders {
  let byPlace = merged.get(pack)
  if (!byPlace) merged.set(pack, (byPlace = new Map()))
  const place = `${document.template} ${section.id} ${section.from ?? ''} ${designKey(section.kind, section.design)}`
  let found = byPlace.get(place)
  if (!found) {
    const own = getDesign(pack, section.kind, section.design).placeholders
    const over = findTemplateSection(pack, document, section)?.slots ?? {}
    const replaced = Object.keys(over).filter((slot) => over[slot]?.type === 'list')
    const kept = Object.entries(own).filter(([slot]) => !replaced.some((list) => slot.startsWith(`${list}/`)))
    byPlace.set(place, (found = { ...Object.fromEntries(kept), ...over }))
  }
  return found
}

/** The template's section that a section of the document was made from: same page and key, else the page's first of its kind. */
function findTemplateSection(pack: Pack, document: SiteDocument, section: Section): TemplateSection | null {
  const template = getTemplate(pack, document.template)
  if (document.header.id === section.id) return template.header
  if (document.footer.id === section.id) return template.footer
  if (section.id === NOT_FOUND) return template.notFound
  const from = document.pages.find((p) => p.sections.some((s) => s.id === section.id))?.from
  const page = template.pages.find((p) => p.key === from)
  const same = page?.sections.filter((s) => s.kind === section.kind) ?? []
  return same.find((s) => s.key === section.from) ?? same[0] ?? null
}

/** What a slot shows: the client's value, or the placeholder as a leftover; null where neither exists. */
export function shownValue(section: Section, placeholders: Placeholders, path: string): Shown | null {
  const value = section.slots[path]
  if (value) return { value, leftover: false }
  const placeholder = placeholders[path] ?? borrowedPlaceholder(placeholders, path)
  return placeholder ? { value: placeholder, leftover: true } : null
}

/** An added entry, or one beyond the template's own, borrows the words of one of the template's entries until it is filled. */
export function borrowedPlaceholder(placeholders: Placeholders, path: string): SlotValue | null {
  const [list = '', item, field] = path.split('/')
  const own = placeholders[list]
  if (item === undefined || own?.type !== 'list' || own.order.length === 0) return null
  const ordinal = /^t(\d+)$/.exec(item)
  const borrowed = own.order[ordinal ? (Number(ordinal[1]) - 1) % own.order.length : 0]
  return placeholders[`${list}/${borrowed}/${field}`] ?? null
}

/** The ids of a list's entries in order: the client's own order, or the template's entries and any filled beyond them. */
export function listItems(section: Section, placeholders: Placeholders, list: string): readonly string[] {
  const own = section.slots[list]
  if (own?.type === 'list') return own.order
  const template = placeholders[list]
  const count = template?.type === 'list' ? template.order.length : 0
  const filled = Object.keys(section.slots).map((path) => Number(new RegExp(`^${list}/t(\\d+)/`).exec(path)?.[1] ?? 0))
  return Array.from({ length: Math.max(count, ...filled, 0) }, (_, i) => `t${i + 1}`)
}
