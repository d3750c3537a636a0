import { expect, test } from './test'
import { answersOf, getTemplate } from '../../src/core/pack'
import type { Site } from '../../src/core/fill'
import { ALTERATIONS, alterationsOf } from '../../src/core/site'
import { SHEETS } from '../../src/ui/sheets/widths'
import { testPack } from '../pack'
import { axeFaults } from './axe'
import { hiddenWindow, widen } from './site-server'
import { cut, CUTS, designsOn, loadPictures, showPublished, siteOn, TEMPLATES } from './template-page'
import { lookAtWords, type Found } from './words'

/** The cut in which headings are as small as they can be set. */
const smallest = ALTERATIONS.heading.indexOf('smaller')

for (const template of TEMPLATES)
  test(`every design under ${template}, altered in every way it answers to, keeps its words in the window, whole and apart`, async ({
    page,
  }) => {
    await page.emulateMedia({ reducedMotion: 'reduce' })
    const all = designsOn(siteOn(template, {}, 'Ota & Sons'), null, 'paper')
    const faults: string[] = []
    const plain = new Map<number, Found>()
    const shown = await hiddenWindow(page)
    const show = async (site: Site): Promise<void> => {
      await showPublished(shown, site, all.page)
      await loadPictures(shown)
    }
    await show(all.site)
    for (const { width } of SHEETS) {
      await widen(shown, width)
      plain.set(width, await lookAtWords(shown, width))
    }
    for (let nth = 0; nth < CUTS; nth++) {
      const altered = cut(all.site, nth)
      await show(altered)
      for (const { width } of SHEETS) {
        await widen(shown, width)
        const now = await lookAtWords(shown, width)
        const before = plain.get(width)!
        for (const what of ['out', 'broken', 'over', 'off'] as const)
          for (const one of new Set(now[what])) if (!before[what].includes(one)) faults.push(`cut ${nth} at ${width}, ${what}: ${one}`)
        const wide = await shown.evaluate(() => document.documentElement.scrollWidth)
        if (wide > width) faults.push(`cut ${nth} at ${width} is ${wide} wide`)
        expect(now.words).toBeGreaterThan(700)
      }
      // Words keep their colours and, as was looked at above, their grounds; their size can change what contrast they need.
      if (nth !== smallest) continue
      await widen(shown, 390)
      for (const one of await axeFaults(shown, { only: ['color-contrast'] })) faults.push(`cut ${nth}: ${one}`)
    }
    expect(faults).toEqual([])
  })

test('every shipped design answers to four alterations at least', () => {
  const few = Object.values(testPack().designs).flatMap((design) =>
    TEMPLATES.map((template) => ({
      at: `${design.kind}/${design.name} under ${template}`,
      can: Object.keys(answersOf(design, getTemplate(testPack(), template).css)).length,
    })).filter(({ can }) => can < 4),
  )
  expect(few).toEqual([])
  const site = cut(siteOn('tallow', {}, 'Client'), 0)
  expect(Object.values(site.document.sections).every((section) => alterationsOf(section).length >= 4)).toBe(true)
})
