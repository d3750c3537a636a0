import fc from 'fast-check'
import { editTo, wear } from '../src/core/wear'
import {
  allSections,
  applyEdit,
  COLLECTION_ORDERS,
  COLUMN_PARTS,
  COLUMN_WIDTHS,
  entriesOf,
  findSlotType,
  pagesOf,
  refOf,
  sectionsOn,
  SIDES,
  TONES,
  type Edit,
  type EntryId,
  type PageId,
  type PageIn,
  type Section,
  type SectionId,
  type SectionIn,
  type SiteDocument,
} from '../src/core/site'
import { own } from '../src/core/own'
import { testPack } from './pack'

/** Numbers that choose an edit on whatever document is there when it is made. */
export const someEdit = fc.record({ what: fc.nat(23), a: fc.nat(1000), b: fc.nat(1000), word: fc.string({ maxLength: 8 }) })
export type SomeEdit = typeof someEdit extends fc.Arbitrary<infer T> ? T : never

const pick = <T>(of: readonly T[], n: number): T | undefined => of[n % Math.max(1, of.length)]
const RANKS = ['Zz', 'a0', 'a0V', 'a1', 'a1V', 'a2', 'a5', 'b00']

/** The edit that some numbers stand for on a document; null where there is nothing to do it with. */
export function editOf(document: SiteDocument, { what, a, b, word }: SomeEdit, unique: () => string): Edit | null {
  const page = pick(pagesOf(document), a)!
  const section = pick(sectionsOn(document, page.id), b) ?? pick(allSections(document), b)
  if (!section) return null
  const rank = pick(RANKS, a + b)!
  const text = { type: 'text' as const, text: word }
  const listed = allSections(document).filter((s) => findSlotType(s.kind, 'items', 'title') === 'text')
  const list = pick(listed, a)
  const added = list && pick(entriesOf(document, list.id), b)
  const headed = allSections(document).filter((s) => findSlotType(s.kind, null, 'heading') === 'text')
  switch (what) {
    case 0:
    case 1:
    case 2: {
      const at = pick(headed, a * 7 + b)
      return at ? { type: 'slot/set', section: at.id, entry: null, slot: 'heading', value: b % 7 === 0 ? null : text } : null
    }
    case 3:
    case 4:
      return list ? { type: 'slot/set', section: list.id, entry: { list: 'items', nth: (b % 4) + 1 }, slot: 'title', value: text } : null
    case 5:
      return list
        ? { type: 'entry/insert', section: list.id, entry: { list: 'items', id: unique() as EntryId }, rank, slots: { title: text } }
        : null
    case 6:
      return added ? { type: 'entry/remove', section: added.in.section, entry: refOf(added) } : null
    case 7:
      return list ? { type: 'entry/move', section: list.id, entry: added ? refOf(added) : { list: 'items', nth: (b % 4) + 1 }, rank } : null
    case 8:
      return { type: 'section/move', section: section.id, in: someSpot(document, a, b), rank }
    case 9:
      return { type: 'section/insert', section: copyOf(section, unique(), page.id, rank) }
    case 10:
      return allSections(document).length > 6 ? { type: 'section/remove', section: section.id } : null
    case 11: {
      const id = unique()
      const made = {
        id: id as PageId,
        in: { type: 'site' as const },
        rank,
        origin: page.origin,
        segment: 'same',
        listed: 'menu' as const,
        texts: {},
      }
      return { type: 'page/insert', page: made }
    }
    case 12:
      return pagesOf(document).length > 3 && a % 3 === 0
        ? { type: 'page/remove', page: page.id }
        : { type: 'page/move', page: page.id, rank, ...(b % 3 === 0 ? {} : { in: someParent(document, a + b) }) }
    case 13:
      if (b % 5 === 0)
        return { type: 'verification/set', name: a % 2 ? 'site-check' : 'check-file.html', value: a % 3 ? `code ${a}` : null }
      if (b % 5 === 1) return { type: 'page/set', page: page.id, part: 'unfound', value: a % 2 === 0 }
      return { type: 'page/set', page: page.id, part: 'name', value: word }
    case 15:
      if (b % 5 === 0) {
        const value =
          b % 3 === 0 ? null : { width: pick([...COLUMN_WIDTHS, 'none' as const], a + b)!, ...(a % 2 ? { under: true as const } : {}) }
        const part = pick(COLUMN_PARTS, b)!
        return a % 7 === 0 ? { type: 'plan/set', part, value } : { type: 'page/set', page: page.id, part, value }
      }
      return b % 2 === 0
        ? { type: 'page/set', page: page.id, part: 'hidden', value: b % 4 === 0 }
        : { type: 'plan/set', part: 'flat', value: b % 3 === 0 ? true : null }
    case 16: {
      const id = `sign-${b % 3}`
      const label = { text: word }
      const value = { id, in: someParent(document, a), rank, listed: 'menu' as const, label, to: { type: 'page' as const, page: page.id } }
      return { type: 'signpost/set', signpost: id, value: b % 5 === 0 ? null : value }
    }
    case 17:
      return b % 2 === 0
        ? { type: 'section/set', section: section.id, part: 'hidden', value: b % 4 === 0 ? true : null }
        : { type: 'section/set', section: section.id, part: 'anchor', value: b % 3 === 0 ? null : `spot-${b}` }
    case 18: {
      const entry = added ? refOf(added) : { list: 'items', nth: (b % 4) + 1 }
      return list ? { type: 'entry/set', section: list.id, entry, part: 'hidden', value: b % 3 === 0 ? null : true } : null
    }
    case 20:
    case 21:
      return somethingSaid(document, { what, a, b, word })
    case 22: {
      const id = `kept-${a % 2}`
      const value = { id, name: { text: word || 'Journal' }, order: pick(COLLECTION_ORDERS, b)! }
      return { type: 'collection/set', collection: id, value: b % 4 === 0 ? null : value }
    }
    case 23:
      if (b % 3 === 0) return { type: 'page/set', page: page.id, part: 'date', value: a % 4 === 0 ? null : `2026-0${1 + (b % 9)}-15` }
      if (b % 3 === 1) return { type: 'page/set', page: page.id, part: 'role', value: a % 4 === 0 ? null : 'item' }
      return { type: 'page/set', page: page.id, part: 'collection', value: a % 4 === 0 ? null : `kept-${a % 2}` }
    case 14:
      return a % 4 === 0
        ? { type: 'section/set', section: section.id, part: 'until', value: b % 3 === 0 ? null : `2026-0${1 + (b % 9)}-15` }
        : { type: 'section/set', section: section.id, part: 'tone', value: pick(TONES, b)! }
    default:
      return editTo(document, wear(testPack(), document, pick(['tallow', 'limewash', 'windrow', 'gantry'], a)!))
  }
}

/** The document after some edits, one after the other; what cannot be done is left out. */
export function afterSome(start: SiteDocument, edits: readonly SomeEdit[]): SiteDocument {
  let count = 0
  return edits.reduce((document, some) => {
    const edit = editOf(document, some, () => `n${count++}`)
    const applied = edit && applyEdit(document, edit)
    return applied?.ok ? applied.document : document
  }, start)
}

/** Words in another language, for a place that says something in the site's own. */
function somethingSaid(document: SiteDocument, { a, b, word }: SomeEdit): Edit | null {
  const language = pick(['cy', 'pt-BR'], a)!
  const isNothing = b % 5 === 0
  const named = pagesOf(document).filter(({ texts }) => texts.name)
  const fact = pick(
    (['name', 'tagline'] as const).filter((one) => document.facts[one]),
    a,
  )
  const label = pick(Object.keys(document.labels), a)
  const said = allSections(document).filter(({ slots }) => own(slots, 'heading')?.type === 'text')
  const [page, section] = [pick(named, b), pick(said, b)]
  switch (b % 4) {
    case 0:
      return section
        ? {
            type: 'slot/set',
            section: section.id,
            entry: null,
            slot: 'heading',
            value: isNothing ? null : { type: 'text', text: word },
            language,
          }
        : null
    case 1:
      return page ? { type: 'page/set', page: page.id, part: 'name', value: isNothing ? null : word, language } : null
    case 2:
      return fact
        ? { type: 'fact/set', fact, value: isNothing ? null : word, language }
        : { type: 'fact/set', fact: 'tagline', value: word }
    default:
      return label
        ? { type: 'label/set', label, value: isNothing ? null : { text: word }, language }
        : { type: 'label/set', label: 'menu', value: { text: word } }
  }
}

function someSpot(document: SiteDocument, a: number, b: number): SectionIn {
  const page = pick(pagesOf(document), b)!.id
  return b % 4 === 0 ? { type: 'side', side: pick(SIDES, a)!, page: a % 3 === 0 ? null : page } : { type: 'page', page }
}

function someParent(document: SiteDocument, n: number): PageIn {
  const page = n % 3 === 0 ? undefined : pick(pagesOf(document), n)
  return page ? { type: 'page', page: page.id } : { type: 'site' }
}

function copyOf(section: Section, id: string, page: PageId, rank: string): Section {
  return { ...section, id: id as SectionId, in: { type: 'page', page }, rank, slots: {} }
}
