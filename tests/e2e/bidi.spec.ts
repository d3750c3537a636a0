import { readFileSync } from 'node:fs'
import { expect, test } from './test'
import { renderPage } from '../../src/core/render'
import { homePage } from '../../src/core/site'
import { edited, setText } from '../site'
import { FILES, siteOn } from './template-page'

/**
 * Unicode's own test data for its bidirectional algorithm (UAX #9; BidiCharacterTest.txt as Debian's unicode-data ships it): for a text
 * and a paragraph's direction, the order from left to right in which its characters stand.
 */
const DATA = '/usr/share/unicode/BidiCharacterTest.txt'
/** What people write on pages; the marks that printing may change (dashes, quotation marks) are left to the tests of printing. */
const WRITTEN = /^[0-9A-Za-z\u05d0-\u05ea\u0621-\u064a.,+/:()[\]{}<>!&=#%$ ]+$/
const LETTER = /[A-Za-z\u05d0-\u05ea\u0621-\u064a]/
const TO_LEFT = /[\u05d0-\u05ea\u0621-\u064a]/
const EVERY = 12

type Case = { readonly text: string; readonly order: readonly [ltr: string, rtl: string] }

function readCases(): Case[] {
  const found = new Map<string, [string?, string?]>()
  for (const line of readFileSync(DATA, 'utf8').split('\n')) {
    const [codes = '', direction, , , order] = line.split(';')
    if (line.startsWith('#') || (direction !== '0' && direction !== '1') || order === undefined) continue
    const text = String.fromCodePoint(...codes.split(' ').map((code) => Number.parseInt(code, 16)))
    if (!WRITTEN.test(text) || !/[\p{L}\p{N}]/u.test(text) || text !== text.trim() || text.includes('  ')) continue
    const orders = found.get(text) ?? []
    orders[Number(direction) as 0 | 1] = order.trim()
    found.set(text, orders)
  }
  return [...found]
    .flatMap(([text, [ltr, rtl]]): Case[] => (ltr !== undefined && rtl !== undefined ? [{ text, order: [ltr, rtl] }] : []))
    .filter((_, i) => i % EVERY === 0)
}

/** A heading as a page of a language publishes it. */
function heading(language: string, text: string): string {
  const site = siteOn('blank', {}, 'Client')
  const document = edited(site.document, { type: 'fact/set', fact: 'language', value: language }, setText('home.hero', 'heading', text))
  const { html } = renderPage({ ...site, document }, homePage(document), FILES)
  return /<h1[^>]*>[\s\S]*?<\/h1>/.exec(html)?.[0] ?? ''
}

for (const { language, direction } of [
  { language: 'he', direction: 'rtl' },
  { language: 'ar', direction: 'rtl' },
  { language: 'en-GB', direction: 'ltr' },
] as const)
  test(`words of two directions stand on a page in ${language} as UAX #9’s test data has them`, async ({ page }) => {
    const cases = readCases()
    expect(cases.length).toBeGreaterThan(500)
    await page.setContent(
      `<!doctype html><html lang="${language}" dir="${direction}"><meta charset="utf-8">` +
        `<style>h1{font:20px serif;white-space:nowrap}</style>` +
        `<body>${cases.map(({ text }) => heading(language, text)).join('\n')}</body></html>`,
    )
    const seen = await page.evaluate(() =>
      [...document.querySelectorAll('h1')].map((element) => {
        const lefts: [index: number, left: number][] = []
        const walker = document.createTreeWalker(element, NodeFilter.SHOW_TEXT)
        for (let node = walker.nextNode(); node; node = walker.nextNode())
          for (let i = 0; i < (node.textContent ?? '').length; i++) {
            const range = document.createRange()
            range.setStart(node, i)
            range.setEnd(node, i + 1)
            lefts.push([lefts.length, range.getBoundingClientRect().left])
          }
        const order = lefts.toSorted((a, b) => a[1] - b[1] || a[0] - b[0]).map(([index]) => index)
        return { text: element.textContent ?? '', order: order.join(' ') }
      }),
    )
    expect(seen).toHaveLength(cases.length)
    let compared = 0
    const wrong = cases.flatMap(({ text, order: [ltr, rtl] }, i) => {
      const shown = seen[i]!
      // What printing changed has other characters than the data speaks of.
      if (shown.text !== text) return []
      compared++
      // On a page from right to left, what holds no letter of its scripts keeps its own order. On one from left to right, a text with such
      // letters runs as its first letter does (HTML, dir=auto).
      const runsLeft = direction === 'rtl' ? TO_LEFT.test(text) : TO_LEFT.test(LETTER.exec(text)?.[0] ?? '')
      const wanted = runsLeft ? rtl : ltr
      return shown.order === wanted ? [] : [`${text}: ${shown.order}, not ${wanted}`]
    })
    expect(wrong.slice(0, 8)).toEqual([])
    expect(compared).toBeGreaterThan(500)
  })
