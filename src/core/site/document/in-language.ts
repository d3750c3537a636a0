import { memoBy } from '../../memo'
import { own } from '../../own'
import type { FactCells } from '../facts/fact-cells'
import type { Language, Said } from '../language'
import { valueIn, type SlotValue } from '../values'
import type { Cell, Slots } from './cell'
import { siteLanguage, type SiteDocument } from './document'
import type { Entry } from './entry'
import type { Table } from './order'
import type { Page } from './page'
import type { Section } from './section'

/**
 * A site as it is said in one language: in each place its words there, else those of the site's own language. Whatever draws, counts,
 * searches or writes out is given this document, and so speaks that language; what is said the same in both is the very record of before.
 * It is for reading: edits are made to the site itself, and name the language (`sayIn`).
 */
export function inLanguage(document: SiteDocument, language: Language): SiteDocument {
  if (language === siteLanguage(document)) return document
  return {
    ...document,
    language,
    facts: factsIn(document.facts, language),
    labels: recordsIn(document.labels, language, spokenText),
    pages: recordsIn(document.pages, language, pageIn),
    signposts: recordsIn(document.signposts, language, (of) => spoken(of, 'label', language)),
    collections: recordsIn(document.collections, language, (of) => spoken(of, 'name', language)),
    sections: recordsIn(document.sections, language, slotted<Section>),
    entries: recordsIn(document.entries, language, slotted<Entry>),
  }
}

/** What was asked last of a value, asked once. */
const once = memoBy(
  (of: object, language: Language, _make: () => object) => [of, language],
  (_of, _language, make) => make(),
) as <T extends object>(of: T, language: Language, make: () => T) => T

/** A table with each of its records in a language; the very table where all of them stay. */
function recordsIn<T extends object>(table: Table<T>, language: Language, speak: (record: T, language: Language) => T): Table<T> {
  return once(table, language, () => {
    const records = Object.entries(table).map(([id, record]) => [id, once(record, language, () => speak(record, language))] as const)
    return records.every(([id, record]) => record === own(table, id)) ? table : Object.fromEntries(records)
  })
}

function slotted<T extends { readonly slots: Slots }>(record: T, language: Language): T {
  const cells = Object.entries(record.slots).map(([slot, cell]) => [slot, cellIn(cell, language)] as const)
  if (cells.every(([slot, cell]) => cell === own(record.slots, slot))) return record
  return { ...record, slots: Object.fromEntries(cells) }
}

function cellIn(cell: Cell, language: Language): Cell {
  if (cell.type !== 'same') return valueIn(cell, language)
  const spoken: SlotValue | null = cell.own && valueIn(cell.own, language)
  return spoken === cell.own ? cell : { ...cell, own: spoken }
}

type Text = { readonly text: string; readonly said?: Said<string> | undefined }

function spokenText(of: Text, language: Language): Text {
  return of.said === undefined ? of : { text: own(of.said, language) ?? of.text }
}

/** A record with one of its parts, a text, in a language. */
function spoken<P extends string, T extends Readonly<Record<P, Text>>>(of: T, part: P, language: Language): T {
  const text = spokenText(of[part], language)
  return text === of[part] ? of : { ...of, [part]: text }
}

function pageIn(page: Page, language: Language): Page {
  const texts = recordsIn(page.texts as Table<Text>, language, spokenText) as Page['texts']
  return texts === page.texts ? page : { ...page, texts }
}

function factsIn(facts: FactCells, language: Language): FactCells {
  type FactCell = { readonly value: unknown; readonly said?: Said<unknown> | undefined }
  const speak = (cell: FactCell): FactCell => (cell.said === undefined ? cell : { value: own(cell.said, language) ?? cell.value })
  const spoken = recordsIn(facts as Table<FactCell>, language, speak) as FactCells
  if (spoken.language === undefined) return spoken
  // It is the language of the site, not of what is read here.
  const { language: _, ...others } = spoken
  return others
}
