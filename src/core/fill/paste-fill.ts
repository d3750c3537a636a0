import type { Pack } from '../pack'
import {
  findSection,
  isSame,
  MAX_ENTRIES,
  MAX_TEXT,
  rankBetween,
  type EditStep,
  type EntryId,
  type Section,
  type SiteDocument,
  type SlotPlace,
  type SlotType,
  type SlotValue,
} from '../site'
import { richFromPlain } from '../rich'
import { fixedList, shownEntries } from './content'
import { contentOf } from './content-of'
import { sectionRows, type LedgerRow } from './section-rows'

/** A pasted table: rows of cells; a cell without words leaves the place that it would go to as it is. */
export type PastedTable = readonly (readonly string[])[]
/** What goes where, said before it is done. */
export type PasteFill = {
  readonly edits: readonly EditStep[]
  readonly placed: readonly { readonly words: string; readonly label: string }[]
  readonly newEntries: number
  /** Cells with words that have no place. */
  readonly left: number
}

/**
 * Cells of what was copied: tabs part columns, line breaks part rows; a cell in quotation marks holds its breaks and doubled marks, as
 * spreadsheets copy them (RFC 4180, 2, with tabs). Of cells a row without words is one that leaves its places as they are; between
 * lines of prose it only parts them, and is dropped.
 */
export function readPasted(text: string, isCells = text.includes('\t')): PastedTable {
  const rows: string[][] = [['']]
  let isQuoted = false
  for (let i = 0; i < text.length; i++) {
    const letter = text[i] ?? ''
    const row = rows.at(-1) ?? []
    const cell = row.at(-1) ?? ''
    const put = (words: string): void => void (row[row.length - 1] = words)
    if (isQuoted) {
      if (letter !== '"') put(cell + letter)
      else if (text[i + 1] === '"') {
        put(`${cell}"`)
        i++
      } else isQuoted = false
    } else if (letter === '"' && cell === '' && isClosed(text, i)) isQuoted = true
    else if (letter === '\t') row.push('')
    else if (letter === '\n') rows.push([''])
    else if (letter !== '\r') put(cell + letter)
  }
  const tidy = rows.map((row) => row.map((cell) => cell.replaceAll(/\r\n?/g, '\n').trim()))
  const last = tidy.findLastIndex((row) => row.some((cell) => cell !== ''))
  return isCells ? tidy.slice(0, last + 1) : tidy.filter((row) => row.some((cell) => cell !== ''))
}

/** Words of several lines in one, as a cell of one line takes them. */
export function inOneLine(words: string): string {
  if (!words.includes('\n')) return words
  return words
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '')
    .join(' ')
}

/** A quotation mark that opens a cell is closed right before the cell ends; any other is a word's own. */
function isClosed(text: string, from: number): boolean {
  return /^"(?:[^"]|"")*"(?=[\t\r\n]|$)/.test(text.slice(from))
}

const isWords = (type: SlotType | 'list'): boolean => type === 'text' || type === 'rich'

/**
 * How a pasted table fills a section from a place on. From an entry's field on, each row is an entry and each column a field, and rows
 * beyond the last entry make new ones; a single column that fits into that entry fills it from top to bottom. Elsewhere each cell is a
 * place, up to the section's first list, which takes the rows that are left. Null where nothing would be placed.
 */
export function planPasteFill(
  pack: Pack,
  document: SiteDocument,
  place: SlotPlace,
  table: PastedTable,
  newId: () => EntryId,
): PasteFill | null {
  const section = findSection(document, place.section)
  if (!section) return null
  const rows = sectionRows(pack, document, section)
  const plan = place.entry
    ? pourIntoList(pack, document, section, rows, place.entry.list, place, table, newId)
    : pourOnward(pack, document, section, rows, place, table, newId)
  return plan.placed.length > 0 ? plan : null
}

const NOTHING: PasteFill = { edits: [], placed: [], newEntries: 0, left: 0 }
const wordsLeft = (table: PastedTable): number => table.flat().filter((cell) => cell !== '').length

function pourOnward(
  pack: Pack,
  document: SiteDocument,
  section: Section,
  rows: readonly LedgerRow[],
  place: SlotPlace,
  table: PastedTable,
  newId: () => EntryId,
): PasteFill {
  const from = rows.findIndex((row) => row.place.entry === null && row.place.slot === place.slot)
  const next = rows.slice(from).find((row) => row.type === 'list')
  const until = next ? rows.indexOf(next) : rows.length
  const places = rows.slice(from, until).filter((row) => isWords(row.type))
  const used: LedgerRow[] = []
  let at = 0
  for (; at < table.length && used.length < places.length; at++)
    used.push(...places.slice(used.length, used.length + (table[at]?.length ?? 0)))
  const cells = table.slice(0, at).flat()
  const filled = cells.slice(0, places.length).flatMap((words, i) => {
    const row = places[i]
    return row && words !== '' ? [{ row, words }] : []
  })
  const rest = table.slice(at)
  const list = next && rest.length > 0 ? pourIntoList(pack, document, section, rows, next.place.slot, null, rest, newId) : null
  return {
    edits: [...filled.map(({ row, words }) => setStep(row.place, row.type, words)), ...(list?.edits ?? [])],
    placed: [...filled.map(({ row, words }) => ({ words, label: row.label })), ...(list?.placed ?? [])],
    newEntries: list?.newEntries ?? 0,
    left: wordsLeft([cells.slice(places.length)]) + (list ? list.left : wordsLeft(rest)),
  }
}

function pourIntoList(
  pack: Pack,
  document: SiteDocument,
  section: Section,
  rows: readonly LedgerRow[],
  list: string,
  start: SlotPlace | null,
  table: PastedTable,
  newId: () => EntryId,
): PasteFill {
  const content = contentOf(pack, document, section)
  const entries = shownEntries(content, list)
  const ofList = rows.filter((row) => row.place.entry?.list === list)
  const first = start ? ofList.find((row) => row.place.slot === start.slot && sameEntry(row, start)) : ofList[0]
  const from = first ? entries.findIndex((entry) => entry.key === first.entry?.key) : 0
  const names = fieldsOf(ofList, first)
  const isOneEntry = start !== null && table.length <= names.length && table.every((cells) => cells.length === 1)
  const shaped = isOneEntry ? [table.map(([cell = '']) => cell)] : table
  if (names.length === 0) return { ...NOTHING, left: wordsLeft(table) }
  const room = MAX_ENTRIES - entries.length
  const taken = shaped.slice(0, entries.length - from + room)
  const edits: EditStep[] = []
  const placed: { words: string; label: string }[] = []
  let rank = entries.at(-1)?.rank ?? null
  let newEntries = 0
  for (const [i, cells] of taken.entries()) {
    const entry = entries[from + i]
    const filled = names.flatMap(({ slot, type }, k) => (cells[k] ? [{ slot, type, words: cells[k] }] : []))
    for (const { slot, words } of filled) placed.push({ words, label: `${from + i + 1} ${slot}` })
    if (entry) {
      edits.push(
        ...filled.map(({ slot, type, words }) => setStep({ type: 'slot', section: section.id, entry: entry.ref, slot }, type, words)),
      )
      continue
    }
    if (filled.length === 0) continue
    rank = rankBetween(rank, null)
    newEntries++
    const slots = Object.fromEntries(filled.map(({ slot, type, words }) => [slot, toValue(type, words)]))
    edits.push({ type: 'entry/insert', section: section.id, entry: { list, id: newId() }, rank, slots })
  }
  const fixed = newEntries > 0 ? fixedList(content, list) : []
  const beyond = taken.flatMap((cells) => cells.slice(names.length))
  return { edits: [...fixed, ...edits], placed, newEntries, left: wordsLeft([beyond]) + wordsLeft(shaped.slice(taken.length)) }
}

function sameEntry(row: LedgerRow, { entry }: SlotPlace): boolean {
  return isSame(row.place.entry, entry)
}

/** The fields of an entry that take words, from one of them on, in the order in which the design shows them. */
function fieldsOf(
  rows: readonly LedgerRow[],
  first: LedgerRow | undefined,
): readonly { readonly slot: string; readonly type: LedgerRow['type'] }[] {
  const entry = rows.filter((row) => row.entry?.key === first?.entry?.key)
  return entry
    .slice(first ? entry.indexOf(first) : 0)
    .filter((row) => isWords(row.type))
    .map(({ place, type }) => ({ slot: place.slot, type }))
}

function setStep({ section, entry, slot }: SlotPlace, type: LedgerRow['type'], words: string): EditStep {
  return { type: 'slot/set', section, entry, slot, value: toValue(type, words) }
}

/** What words that were pasted are in a place of a type. */
export function toValue(type: LedgerRow['type'], words: string): SlotValue {
  return type === 'rich' ? { type: 'rich', rich: richFromPlain(words) } : { type: 'text', text: inOneLine(words).slice(0, MAX_TEXT) }
}
