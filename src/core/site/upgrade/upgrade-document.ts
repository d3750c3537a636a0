import { own } from '../../own'
import * as v from 'valibot'
import { brandSchema, type Brand } from '../brand'
import {
  entryKey,
  MAX_ENTRIES,
  MAX_PAGE_TEXT,
  naturalRank,
  ranksInOrder,
  ranks,
  siteDocumentSchema,
  type Entry,
  type EntryRef,
  type Outfit,
  type Page,
  type PageId,
  type PageOrigin,
  type PlacedSection,
  type Section,
  type SectionId,
  type SectionIn,
  type SectionOrigin,
  type SiteDocument,
} from '../document'
import { toFactCells } from '../facts/fact-cells'
import { FACT_LIMITS, factsSchema, type Facts } from '../facts/facts'
import { asKindTakes } from '../edits/fits-kind'
import { withEntries } from '../edits/with-entries'
import { slotValueSchema, type SlotValue } from '../values'
import type { Document1, Page1, Section1, Value1, Worn1 } from './format-1'

/**
 * A document of format 1 as one of today's. The same document gives the same one each time. What today's limits would
 * refuse is cut to them, so that a job which could not be opened any more can be.
 */
export function upgradeDocument(old: Document1): SiteDocument {
  return asToday(fromFormat1(old))
}

function fromFormat1(old: Document1): SiteDocument {
  const placed = placeSections(old)
  const pageRanks = ranks(old.pages.length)
  return {
    format: 3,
    language: old.language,
    dress: { template: old.template, ...look(old) },
    facts: toFactCells(readFacts(old.facts)),
    brand: readBrand(old.brand),
    labels: {},
    signposts: {},
    collections: {},
    redirects: {},
    verifications: {},
    asIs: {},
    plan: {},
    pages: Object.fromEntries(old.pages.map((page, i) => [page.id, upgradePage(page, old.template, pageRanks[i] ?? 'a0')])),
    sections: Object.fromEntries(placed.map(([section, was]) => [section.id, { ...section, slots: ownSlots(was) }])),
    entries: Object.fromEntries(placed.flatMap(([section, was]) => upgradeEntries(section.id, was)).map((entry) => [entry.id, entry])),
    outfits: Object.fromEntries(Object.entries(old.worn ?? {}).map(([template, worn]) => [template, upgradeOutfit(worn)])),
  }
}

/**
 * Today's documents as they are, older ones brought up; throws where it is neither. One of format 2 says nothing that format 3 says
 * otherwise: it has one language, and none of the parts that came since.
 */
export function readDocument(stored: unknown): SiteDocument {
  const of = v.parse(v.looseObject({ format: v.number() }), stored)
  if (of.format === 1) return upgradeDocument(stored as Document1)
  return asToday(v.parse(siteDocumentSchema, of.format === 2 ? { ...of, format: 3 } : of))
}

/** Values as their places take them today: some that are rich took plain words before. */
function asToday(document: SiteDocument): SiteDocument {
  const sections = eachOf(document.sections, (section) => ({ ...section, slots: asKindTakes(section.kind, null, section.slots) }))
  const entries = eachOf(document.entries, (entry) => {
    const kind = own(document.sections, entry.in.section)?.kind
    return kind ? { ...entry, slots: asKindTakes(kind, entry.in.list, entry.slots, entry.block) } : entry
  })
  return { ...document, sections, entries }
}

function eachOf<T>(table: Readonly<Record<string, T>>, change: (of: T) => T): Readonly<Record<string, T>> {
  return Object.fromEntries(Object.entries(table).map(([id, one]) => [id, change(one)]))
}

function look({ scheme, dark }: Worn1): Pick<Outfit, 'scheme' | 'dark'> {
  return { ...(scheme === undefined ? {} : { scheme }), ...(dark === undefined ? {} : { dark }) }
}

function upgradePage(page: Page1, template: string, rank: string): Page {
  const text = (part: 'name' | 'title' | 'description'): object =>
    page[part] === undefined ? {} : { [part]: { text: page[part].slice(0, MAX_PAGE_TEXT) } }
  return {
    id: page.id as PageId,
    in: { type: 'site' },
    rank,
    origin: pageOrigin(page.from, template),
    segment: page.segment,
    listed: page.menu === undefined ? 'menu' : page.menu === 'none' ? 'nowhere' : 'foot',
    texts: { ...text('name'), ...text('title'), ...text('description') },
  }
}

/** `key` of the site's template, or `template/key`. */
function pageOrigin(from: string | null, template: string): PageOrigin | null {
  if (from === null) return null
  const [first = '', second] = from.split('/')
  return second === undefined ? { template, page: first } : { template: first, page: second }
}

/** `key` on the page that the section's page was made from, or `template/page/key`. */
function sectionOrigin(from: string | null, page: PageOrigin | null): SectionOrigin | null {
  if (from === null) return null
  const [first = '', second, third] = from.split('/')
  if (third !== undefined && second !== undefined) return { template: first, page: second, section: third }
  return page === null ? null : { ...page, section: first }
}

type Placed = readonly [PlacedSection, Section1]

function placeSections(old: Worn1): Placed[] {
  const shared = (where: SectionIn, section: Section1): Placed => [
    placeSection(section, where, 'a0', section.from === null ? null : { template: old.template, page: null, section: section.from }),
    section,
  ]
  const onPages = old.pages.flatMap((page) => {
    const origin = pageOrigin(page.from, old.template)
    const places = ranks(page.sections.length)
    return page.sections.map((section, i): Placed => [
      placeSection(section, { type: 'page', page: page.id as PageId }, places[i] ?? 'a0', sectionOrigin(section.from, origin)),
      section,
    ])
  })
  return [shared({ type: 'header' }, old.header), ...onPages, shared({ type: 'footer' }, old.footer)]
}

function placeSection(section: Section1, where: SectionIn, rank: string, origin: SectionOrigin | null): PlacedSection {
  const { id, kind, design, tone } = section
  return { id: id as SectionId, in: where, rank, kind: kind as Section['kind'], design, tone: tone as Section['tone'], origin }
}

function upgradeOutfit(worn: Worn1): Outfit {
  return {
    ...look(worn),
    pages: Object.fromEntries(worn.pages.map((page) => [page.id, pageOrigin(page.from, worn.template)])),
    sections: placeSections(worn).map(([section]) => section),
  }
}

/** A section's own slots; a list's order tells how many of the template's entries it began with. */
function ownSlots(section: Section1): Section['slots'] {
  return Object.fromEntries(
    Object.entries(section.slots ?? {}).flatMap(([path, value]): [string, SlotValue][] => {
      if (path.includes('/')) return []
      if (value.type === 'list') return [[path, { type: 'list', of: Math.max(0, ...(value.order ?? []).map(numberOf)) }]]
      const read = readValue(value)
      return read ? [[path, read]] : []
    }),
  )
}

/** `t3` stood for the third of the template's entries; 0 for one that was added. */
function numberOf(id: string): number {
  const nth = Number(/^t(\d{1,3})$/.exec(id)?.[1] ?? 0)
  return nth <= MAX_ENTRIES ? nth : 0
}

function upgradeEntries(section: SectionId, { slots = {} }: Section1): Entry[] {
  const byEntry = new Map<string, { list: string; id: string; slots: Record<string, SlotValue> }>()
  for (const [path, value] of Object.entries(slots)) {
    const [list = '', id, field] = path.split('/')
    const read = id === undefined || field === undefined ? null : readValue(value)
    if (!read || id === undefined || field === undefined) continue
    const known = byEntry.get(`${list} ${id}`) ?? { list, id, slots: {} }
    byEntry.set(`${list} ${id}`, { ...known, slots: { ...known.slots, [field]: read } })
  }
  const lists = new Map(
    Object.entries(slots).flatMap(([path, value]) => (value.type === 'list' ? [[path, value.order ?? []] as const] : [])),
  )
  for (const [list, order] of lists)
    for (const id of order) if (!byEntry.has(`${list} ${id}`)) byEntry.set(`${list} ${id}`, { list, id, slots: {} })
  const entries = [...byEntry.values()].flatMap((was) => toEntry(section, was))
  return withEntries(entries.map((entry) => standing(entry, lists.get(entry.in.list) ?? null)).concat(takenOut(section, lists, entries)))
}

type Was = { readonly list: string; readonly id: string; readonly slots: Readonly<Record<string, SlotValue>> }

function toEntry(section: SectionId, { list, id, slots }: Was): Entry[] {
  const nth = numberOf(id)
  if (/^t\d+$/.test(id) && nth === 0) return []
  // Added entries had ids of their own list only; here an id is one of the whole site.
  const ref: EntryRef = nth > 0 ? { list, nth } : { list, id: `${section}.${id}`.slice(-64).replace(/^[^A-Za-z0-9]+/, '') as never }
  return [{ id: entryKey(section, ref), in: { section, list }, nth: nth > 0 ? nth : null, rank: naturalRank(Math.max(1, nth)), slots }]
}

/** An entry where the list's order had it. */
function standing(entry: Entry, order: readonly string[] | null): Entry {
  if (order === null) return entry
  const at = order.findIndex((id) => (entry.nth === null ? entry.id.endsWith(`.${id}`) || entry.id === id : id === `t${entry.nth}`))
  const unique = order.filter((id, i) => order.indexOf(id) === i)
  const places = ranksInOrder(unique.map((id) => (numberOf(id) > 0 ? naturalRank(numberOf(id)) : null)))
  const rank = places[unique.indexOf(order[at] ?? '')]
  if (at >= 0 && rank !== undefined) return { ...entry, rank }
  return entry.nth === null ? entry : { ...entry, gone: true }
}

/** The template's entries that a list's order left out, and that nothing had been put into. */
function takenOut(section: SectionId, lists: ReadonlyMap<string, readonly string[]>, known: readonly Entry[]): Entry[] {
  return [...lists].flatMap(([list, order]) => {
    const most = Math.max(0, ...order.map(numberOf))
    return Array.from({ length: most }, (_, i) => i + 1)
      .filter((nth) => !order.includes(`t${nth}`) && !known.some((e) => e.in.list === list && e.nth === nth))
      .map((nth): Entry => ({
        id: entryKey(section, { list, nth }),
        in: { section, list },
        nth,
        rank: naturalRank(nth),
        slots: {},
        gone: true,
      }))
  })
}

function readValue(value: Value1): SlotValue | null {
  const read = v.safeParse(slotValueSchema, value)
  return read.success ? read.output : null
}

/** Facts as today's schema has them; a text that is too long is cut, anything else that does not fit is left out. */
function readFacts(old: Readonly<Record<string, unknown>>): Facts {
  const kept = Object.entries(old).flatMap(([name, value]) => {
    const limit = own(FACT_LIMITS as Readonly<Record<string, number>>, name)
    const cut = typeof value === 'string' && limit !== undefined ? value.slice(0, limit) : value
    return v.safeParse(factsSchema, { [name]: cut }).success ? [[name, cut] as const] : []
  })
  return Object.fromEntries(kept) as Facts
}

function readBrand(old: Readonly<Record<string, unknown>>): Brand {
  return Object.fromEntries(Object.entries(old).filter(([part, value]) => v.safeParse(brandSchema, { [part]: value }).success)) as Brand
}
