import { expect, test } from './test'
import { linesIn, piecesOf } from '../../src/core/lines'
import { FAMILIES, fontFaceCss } from '../../src/core/type'
import { familyFaces, familyCss } from '../../src/core/render'
import { showHtml } from './site-server'

/** Sentences of the kind that sites are made of, with what breaks lines: hyphens, dashes, figures, quotation marks, long words. */
const TEXTS = [
  'Clocks mended, wound and moved',
  'Same-day call-outs for burst pipes, blocked drains and boilers that will not light',
  'From £45 for the first half-hour, 24/7 – no call-out charge within 12 miles',
  '“They rang back within the hour”: what our customers say about Saturday’s emergency',
  'Physiotherapy, rehabilitation & hydrotherapy for under-fives, sixty-somethings and everybody in between',
] as const
const WIDTHS = Array.from({ length: 40 }, (_, i) => 120 + i * 27)
const SIZE = 32

test('lines are reckoned as the browser lays them out, in every family that is shipped, at 40 widths', async ({ page }) => {
  const families = Object.values(FAMILIES)
  const pieces = [...new Set(TEXTS.flatMap(wordsOf))]
  let [same, all] = [0, 0]
  const differ: string[] = []
  for (const family of families) {
    const faces = fontFaceCss(familyFaces(family))
    const paragraphs = TEXTS.map((text) => `<p>${text.replaceAll('&', '&amp;')}</p>`).join('')
    await showHtml(
      page,
      `<!doctype html><html lang="en"><style>${faces}body{font:400 ${SIZE}px ${familyCss(family)};margin:0;` +
        'overflow-wrap:break-word}p{margin:0}</style>' +
        `<body>${paragraphs}</body></html>`,
    )
    const { lengths, lines } = await page.evaluate(layOut, { pieces, widths: WIDTHS })
    const ruler = (words: string): number => (words === '' ? 0 : (lengths[words] ?? Number.NaN))
    TEXTS.forEach((text, t) => {
      const measured = piecesOf(text, ruler)
      WIDTHS.forEach((width, w) => {
        all++
        const [ours, theirs] = [linesIn(measured, width / SIZE), lines[t]?.[w]]
        if (ours === theirs) same++
        else differ.push(`${family.name}, ${width} px, “${text.slice(0, 20)}…”: ${ours}, the browser ${theirs}`)
      })
    })
  }
  console.log(`${same} of ${all} agree, in ${families.length} families\n${differ.join('\n')}`)
  expect(families.length).toBeGreaterThanOrEqual(24)
  // Where the browser rounds the advances of letters, a line that is just full can end elsewhere: 7,749 of 7,800 agreed.
  expect(same / all).toBeGreaterThan(0.99)
})

/** Every part of a text that is measured. */
function wordsOf(text: string): readonly string[] {
  const asked: string[] = []
  piecesOf(text, (words) => asked.push(words))
  return asked.filter((words) => words !== '')
}

/** In the page: how long words are, in em, and how many lines each paragraph takes at each width. */
function layOut({ pieces, widths }: { pieces: readonly string[]; widths: readonly number[] }): {
  lengths: Record<string, number>
  lines: number[][]
} {
  const pen = document.createElement('canvas').getContext('2d')!
  pen.font = getComputedStyle(document.body).font.replace(/[\d.]+px/, '200px')
  pen.textRendering = 'geometricPrecision'
  const lengths = Object.fromEntries(pieces.map((words) => [words, pen.measureText(words).width / 200]))
  const lines = [...document.querySelectorAll('p')].map((paragraph) =>
    widths.map((width) => {
      document.body.style.width = `${width}px`
      const range = document.createRange()
      range.selectNodeContents(paragraph)
      return new Set([...range.getClientRects()].filter((box) => box.width > 0.5).map((box) => Math.round(box.top))).size
    }),
  )
  return { lengths, lines }
}
