import type { PastedTable } from '../fill'
import { plainFromRich } from '../rich'
import type { Listed } from './listing'
import { wordsListed } from './words'
import type { Pack } from '../pack'
import type { SiteDocument } from '../site'

/**
 * Chosen places as a table, as `readPasted` and a pour read it: each entry of a list is a row with a column for each of its texts, and any
 * other place a row of its own. A place without words of its own (a picture, a list) is no cell; a leftover is what it shows.
 */
export function toTable(pack: Pack, document: SiteDocument, chosen: readonly Listed[]): PastedTable {
  const rows: string[][] = []
  let entry: string | null = null
  for (const one of chosen) {
    if (one.row && one.row.type !== 'text' && one.row.type !== 'rich') continue
    const cell = cellOf(pack, document, one)
    const of = one.row?.entry?.key ?? null
    if (of !== null && of === entry) rows.at(-1)?.push(cell)
    else rows.push([cell])
    entry = of
  }
  return rows
}

function cellOf(pack: Pack, document: SiteDocument, listed: Listed): string {
  const value = listed.row?.value ?? listed.row?.placeholder
  return value?.type === 'rich' ? plainFromRich(value.rich, (fact) => `[${fact}]`) : wordsListed(pack, document, listed)
}

/** Cells parted by tabs (IANA, text/tab-separated-values), those with breaks or quotation marks in quotation marks (RFC 4180, 2.5–2.7). */
export function toTsv(table: PastedTable): string {
  return table.map((row) => row.map(quoted).join('\t')).join('\r\n')
}

function quoted(cell: string): string {
  return /["\t\r\n]/.test(cell) ? `"${cell.replaceAll('"', '""')}"` : cell
}

/** The same as a table of HTML, from which spreadsheets and word processors take cells with their line breaks. */
export function toTableHtml(table: PastedTable): string {
  const cell = (words: string): string => `<td>${words.split('\n').map(escaped).join('<br>')}</td>`
  return `<table>${table.map((row) => `<tr>${row.map(cell).join('')}</tr>`).join('')}</table>`
}

function escaped(words: string): string {
  return words.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;')
}
