import fc from 'fast-check'
import Papa from 'papaparse'
import { describe, expect, test } from 'vitest'
import { readPasted } from '../../src/core/fill'
import { toTsv } from '../../src/core/ledger'

/**
 * Cells on the clipboard, as spreadsheets have them: IANA's text/tab-separated-values, with the quotation marks of RFC 4180, 2.5 to 2.7,
 * round cells with breaks. Checked against papaparse, a reader and writer of such tables in wide use.
 */
const letter = fc.constantFrom('a', 'B', 'ß', '語', ' ', '"', '\n', '\t', ',', ';', "'", '=', '5')
const cell = fc
  .array(letter, { maxLength: 8 })
  .map((letters) => letters.join('').trim())
  // A cell that both begins and ends with a mark of its own is the one form in which a word’s own marks and a cell’s cannot be told apart.
  .filter((words) => !/^".*"$/s.test(words))
const table = fc
  .integer({ min: 2, max: 4 })
  .chain((columns) => fc.array(fc.array(cell, { minLength: columns, maxLength: columns }), { minLength: 1, maxLength: 5 }))
  .filter((rows) => rows.at(-1)!.some((words) => words !== ''))

describe('tables on the clipboard', () => {
  test('what we copy is read by another reader as it is', () => {
    fc.assert(
      fc.property(table, (rows) => {
        expect(Papa.parse<string[]>(toTsv(rows), { delimiter: '\t', newline: '\r\n' }).data).toEqual(rows)
      }),
      { seed: 4180, numRuns: 2000 },
    )
  })

  test('what another writer writes is read as it was, blank rows and breaks in cells among it', () => {
    fc.assert(
      fc.property(table, (rows) => {
        const text = Papa.unparse(rows, { delimiter: '\t', newline: '\r\n' })
        expect(readPasted(text, true)).toEqual(rows.map((row) => row.map((words) => words.trim())))
      }),
      { seed: 4180, numRuns: 2000 },
    )
  })

  // RFC 4180, 2.5–2.7, the examples with tabs in place of commas.
  test.each([
    [
      '"aaa"\t"bbb"\t"ccc"\r\nzzz\tyyy\txxx',
      [
        ['aaa', 'bbb', 'ccc'],
        ['zzz', 'yyy', 'xxx'],
      ],
    ],
    [
      '"aaa"\t"b\r\nbb"\t"ccc"\r\nzzz\tyyy\txxx',
      [
        ['aaa', 'b\nbb', 'ccc'],
        ['zzz', 'yyy', 'xxx'],
      ],
    ],
    ['"aaa"\t"b""bb"\t"ccc"', [['aaa', 'b"bb', 'ccc']]],
  ])('%j', (text, rows) => {
    expect(readPasted(text)).toEqual(rows)
  })
})
