import { afterAll, beforeAll, expect, test } from 'vitest'
import { FAMILIES } from '../../src/core/type'
import { lookByPhone } from '../phone'
import { publishTemplates, type PublishedTemplates } from '../published-templates'

let published: PublishedTemplates
beforeAll(async () => void (published = await publishTemplates(['tallow', 'limewash', 'windrow', 'gantry', 'blank'])))
afterAll(() => published.stop())

/** Lighthouse’s own counts; how fast a page is, is no test’s (`npm run bench -- phone`). */
test('Lighthouse’s phone finds nothing to better on any template’s home page, and no more than 110 kB to fetch', async () => {
  for (const { template, origin } of published.sites) {
    const found = await lookByPhone(`${origin}/`, published.port, false)
    expect(found.faults, template).toEqual([])
    expect(found.scores, template).toMatchObject({ accessibility: 100, 'best-practices': 100, seo: 100 })
    expect(found.bytes, template).toBeGreaterThan(10_000)
    expect(found.bytes, template).toBeLessThan(110_000)
  }
})

type Face = { readonly family: string; readonly weight: string; readonly style: string }

/**
 * Chromium’s own cascade (CSS Cascade 5) beside ours: a weight without a face of its own would be drawn in the nearest one, and slanted
 * letters slanted by machine. Where the family itself has no such style, or ends before such a weight, so it is on the sheets as well.
 */
test('all words on every page of every template are drawn in a face that was published for their weight and style', async () => {
  const page = await published.browser.newPage()
  const shown = new Set<string>()
  for (const { template, pages } of published.sites)
    for (const width of [390, 1280]) {
      await page.setViewportSize({ width, height: 900 })
      for (const address of [...pages, `${pages[0]}no-such-page`]) {
        await page.goto(address)
        const { set, faces } = await page.evaluate(seen)
        for (const { family, weight, style } of set) {
          const file = Object.values(FAMILIES)
            .find(({ name }) => name === family)
            ?.files.find((one) => one.range === 'latin' && one.style === style && one.weight.includes(' '))
          if (!file) continue
          const [least, most] = bounds(file.weight)
          const drawn = Math.min(most, Math.max(least, Number(weight)))
          const isThere = faces.some((face) => {
            const [from, to] = bounds(face.weight)
            return face.family === family && face.style === style && from <= drawn && drawn <= to
          })
          expect(isThere, `${address} at ${width}: ${family} ${style} ${weight}`).toBe(true)
          shown.add(`${template} ${family} ${style}`)
        }
      }
    }
  expect([...shown]).toEqual(expect.arrayContaining(['tallow Vollkorn normal', 'tallow Vollkorn italic', 'windrow EB Garamond italic']))
  await page.close()
})

/** The least and the greatest weight of a face, which are one where it is of one weight. */
function bounds(weight: string): [number, number] {
  const [least = Number.NaN, most = least] = weight.split(' ').map((one) => ({ normal: 400, bold: 700 })[one] ?? Number(one))
  return [least, most]
}

/** In what faces a page shows its words, and which its style sheet has. */
function seen(): { readonly set: readonly Face[]; readonly faces: readonly Face[] } {
  const bare = (family: string): string => (family.split(',')[0] ?? '').replaceAll('"', '').trim()
  const styles = [...document.querySelectorAll<HTMLElement>('body *')]
    .filter((element) => [...element.childNodes].some((node) => node.nodeType === Node.TEXT_NODE && node.textContent?.trim()))
    .map((element) => getComputedStyle(element))
  return {
    set: styles.map((style) => ({ family: bare(style.fontFamily), weight: style.fontWeight, style: style.fontStyle })),
    faces: [...document.fonts].map(({ family, weight, style }) => ({ family: bare(family), weight, style })),
  }
}
