import type { Page, Section, SiteDocument, SlotValue } from '../site'
import { designKey } from './design'
import { getDesign, getTemplate, type Pack } from './pack'
import type { Template, TemplatePage, TemplateSection } from './template'

/** What stands in a slot now, and whether it is still the template's. */
export type Shown = { readonly value: SlotValue; readonly leftover: boolean }
type Placeholders = Readonly<Record<string, SlotValue>>

/** Id of the section that stands on the page for wrong addresses; it is the template's and belongs to no document. */
export const NOT_FOUND = 'not-found'

const merged = new WeakMap<Pack, Map<string, Placeholders>>()
/** A section is never changed in place, and gets a new page only as a new object: what was found for one holds. */
const placeholdersOf = new WeakMap<Section, { readonly pack: Pack; readonly template: string; readonly found: Placeholders }>()

/**
 * The placeholder content of a section: the chosen design's own, under the words of the section that the template has in
 * that place. So the words stay the same while one design after another is tried.
 */
export function sectionPlaceholders(pack: Pack, document: SiteDocument, section: Section): Placeholders {
  const known = placeholdersOf.get(section)
  if (known?.pack === pack && known.template === document.template) return known.found
  const found = findPlaceholders(pack, document, section)
  placeholdersOf.set(section, { pack, template: document.template, found })
  return found
}

function findPlaceholders(pack: Pack, document: SiteDocument, section: Section): Placeholders {
  let byPlace = merged.get(pack)
  if (!byPlace) merged.set(pack, (byPlace = new Map()))
  const place = `${document.template} ${section.id} ${pageOf(document, section)?.from ?? ''} ${section.from ?? ''} ${designKey(section.kind, section.design)}`
  let found = byPlace.get(place)
  if (!found) {
    const own = getDesign(pack, section.kind, section.design).placeholders
    const origin = findTemplateSection(pack, document, section)
    const native = origin ? overlay(getDesign(pack, origin.kind, origin.design).placeholders, origin.slots) : {}
    byPlace.set(place, (found = overlay(own, native)))
  }
  return found
}

/** One set of placeholders over another; a list replaces the other's entries as a whole. */
function overlay(under: Placeholders, over: Placeholders): Placeholders {
  const lists = Object.keys(over).filter((slot) => over[slot]?.type === 'list')
  const kept = Object.entries(under).filter(([slot]) => !lists.some((list) => slot.startsWith(`${list}/`)))
  return { ...Object.fromEntries(kept), ...over }
}

function pageOf(document: SiteDocument, section: Section): Page | null {
  return document.pages.find((p) => p.sections.some((s) => s.id === section.id)) ?? null
}

/** The template's page that a page was made from; a page's `from` is a key of the site's template or `template/key`. */
export function findTemplatePage(pack: Pack, template: string, from: string | null): { readonly template: Template; readonly page: TemplatePage } | null {
  const [first = '', second] = (from ?? '').split('/')
  const origin = pack.templates[second === undefined ? template : first]
  const page = origin?.pages.find((p) => p.key === (second ?? first))
  return origin && page ? { template: origin, page } : null
}

/** The template's section that a section was made from: of its own page, or `template/page/key`; else the page's first of its kind. */
export function findTemplateSection(pack: Pack, document: SiteDocument, section: Section): TemplateSection | null {
  const template = getTemplate(pack, document.template)
  if (document.header.id === section.id) return template.header
  if (document.footer.id === section.id) return template.footer
  if (section.id === NOT_FOUND) return template.notFound
  const [origin, pageKey, key] = section.from?.split('/') ?? []
  const page = key === undefined ? findTemplatePage(pack, document.template, pageOf(document, section)?.from ?? null) : findTemplatePage(pack, document.template, `${origin}/${pageKey}`)
  const same = page?.page.sections.filter((s) => s.kind === section.kind) ?? []
  return same.find((s) => s.key === (key ?? section.from)) ?? same[0] ?? null
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
