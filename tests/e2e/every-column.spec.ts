import { expect, test, type Frame } from './test'
import type { Site } from '../../src/core/fill'
import type { ColumnWidth } from '../../src/core/site'
import { axeFaults } from './axe'
import { hiddenWindow, widen } from './site-server'
import { cut, CUTS, inColumns, loadPictures, showPublished, siteOn, TEMPLATES } from './template-page'
import { lookAtWords } from './words'

type Standing = { readonly widths: readonly number[]; readonly tops: readonly number[]; readonly out: readonly string[] }

/** How the page's own part and its columns stand, and what of them reaches out of its own. */
function standing(page: Frame): Promise<Standing> {
  return page.evaluate(() => {
    const parts = [...document.querySelectorAll('#main > .columns > *')]
    const boxes = parts.map((part) => part.getBoundingClientRect())
    const out = parts.flatMap((part, i) =>
      [...part.querySelectorAll('*')].flatMap((element) => {
        const { left, right, width } = element.getBoundingClientRect()
        const isOut = width > 0 && (left < boxes[i]!.left - 1 || right > boxes[i]!.right + 1)
        return isOut
          ? [`${part.className}, ${element.closest('[class*="tone-"]')?.className}: ${element.tagName} ${element.className}`]
          : []
      }),
    )
    return {
      widths: boxes.map(({ width }) => Math.round(width)),
      tops: boxes.map(({ top }) => Math.round(top + scrollY)),
      out: [...new Set(out)],
    }
  })
}

/** Widths of the window, with how wide the page's own part, the column at the start and the one at the end are to be there, in px. */
const CASES: readonly {
  readonly width: ColumnWidth
  readonly both: boolean
  readonly at: readonly (readonly [number, readonly number[]])[]
}[] = [
  {
    width: 'narrow',
    both: false,
    at: [
      [1280, [1008, 272]],
      [834, [834, 834]],
      [390, [390, 390]],
    ],
  },
  {
    width: 'medium',
    both: true,
    at: [
      [1280, [640, 320, 320]],
      [1024, [1024, 1024, 1024]],
      [390, [390, 390, 390]],
    ],
  },
]

for (const template of TEMPLATES)
  test(`every design that can stand narrow does so under ${template}, beside every other, and follows the page on the phone`, async ({
    page,
  }) => {
    await page.emulateMedia({ reducedMotion: 'reduce' })
    const faults: string[] = []
    const shown = await hiddenWindow(page)
    for (const { width, both, at } of CASES) {
      const plain = inColumns(siteOn(template, {}, 'Ota & Sons'), width, both)
      const sites: readonly (readonly [string, Site])[] = [
        ['as it comes', plain.site],
        ...(both ? [] : Array.from({ length: CUTS }, (_, nth) => [`cut ${nth}`, cut(plain.site, nth)] as const)),
      ]
      for (const [name, site] of sites) {
        await showPublished(shown, site, plain.page)
        await loadPictures(shown)
        for (const [window, widths] of at) {
          await widen(shown, window)
          const found = await standing(shown)
          const where = `${name}, ${width} at ${window}`
          expect(found.widths, where).toEqual(widths)
          // Beside the page's own part they begin with it; else they follow it.
          const isBeside = widths[0] !== window
          expect(new Set(found.tops).size === 1, where).toBe(isBeside)
          expect(found.tops).toEqual(found.tops.toSorted((a, b) => a - b))
          const words = await lookAtWords(shown, window)
          expect(words.words).toBeGreaterThan(700)
          for (const one of [...found.out, ...words.out, ...words.over]) faults.push(`${where}: ${one}`)
          if (site === plain.site) for (const one of words.broken) faults.push(`${where}, broken: ${one}`)
          if ((await shown.evaluate(() => document.documentElement.scrollWidth)) > window) faults.push(`${where}: the page is wider`)
        }
      }
      // Columns on both sides hold what one alone does.
      if (!both) continue
      await widen(shown, 1280)
      for (const one of await axeFaults(shown)) faults.push(`${width}: ${one}`)
    }
    expect(faults).toEqual([])
  })
