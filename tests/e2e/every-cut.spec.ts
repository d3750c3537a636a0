import { expect, test, type Page } from '@playwright/test'
import { answersOf, getDesign, getTemplate } from '../../src/core/pack'
import type { Site } from '../../src/core/fill'
import { ALTERATION_NAMES, ALTERATIONS, alterationsOf, type Section } from '../../src/core/site'
import { SHEETS } from '../../src/ui/sheets/widths'
import { testPack } from '../pack'
import { axeFaults } from './axe'
import { designsOn, showPublished, siteOn, TEMPLATES } from './template-page'

test.describe.configure({ mode: 'parallel' })

/** As many cuts as the alteration with most settings has: each setting of each alteration is in one of them at least. */
const CUTS = Math.max(...Object.values(ALTERATIONS).map((settings) => settings.length))

/** Every section altered in every way that its design answers to, each by the nth of its settings. */
function cut(site: Site, nth: number): Site {
  const { css } = getTemplate(site.pack, site.document.dress.template)
  const altered = Object.entries(site.document.sections).map(([id, section]): [string, Section] => {
    const answers = answersOf(getDesign(site.pack, section.kind, section.design), css)
    const parts = ALTERATION_NAMES.flatMap((name) => {
      const settings = answers[name] ?? []
      return settings.length === 0 ? [] : [[name, settings[nth % settings.length]]]
    })
    return [id, { ...section, ...Object.fromEntries(parts) } as Section]
  })
  return { ...site, document: { ...site.document, sections: Object.fromEntries(altered) } }
}

type Found = {
  readonly out: readonly string[]
  readonly broken: readonly string[]
  readonly over: readonly string[]
  readonly words: number
}

/** Words that stand outside the window, words of headings that break within, and lines of words that lie over each other. */
function look(page: Page, width: number): Promise<Found> {
  return page.evaluate((width) => {
    type Line = { element: Element; section: string; rect: DOMRect }
    const out: string[] = []
    const broken: string[] = []
    const over: string[] = []
    const lines: Line[] = []
    let words = 0
    const tree = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    for (let node = tree.nextNode(); node; node = tree.nextNode()) {
      const element = node.parentElement!
      const section = element.closest('[class*="tone-"]')?.className.split(' ')[0]
      const text = node.textContent ?? ''
      if (!section || text.trim() === '' || !element.checkVisibility({ visibilityProperty: true })) continue
      words++
      const range = document.createRange()
      range.selectNodeContents(node)
      for (const rect of range.getClientRects()) {
        if (rect.left < -1 || rect.right > width + 1) out.push(`${section}: ${text.trim().slice(0, 40)}`)
        lines.push({ element, section, rect })
      }
      if (!element.closest('h1, h2')) continue
      for (const { index, 0: word } of text.matchAll(/[^\s–—-]+/g)) {
        range.setStart(node, index)
        range.setEnd(node, index + word.length)
        if (new Set([...range.getClientRects()].map((r) => Math.round(r.top))).size > 1) broken.push(`${section}: ${word}`)
      }
    }
    for (const [i, a] of lines.entries())
      for (const b of lines.slice(i + 1, i + 400)) {
        if (a.element === b.element || a.section !== b.section || a.element.contains(b.element) || b.element.contains(a.element)) continue
        // A line's box reaches beyond its letters: they stand between its first quarter and its last fifth.
        const letters = ({ top, bottom, height }: DOMRect): [number, number] => [top + height * 0.25, bottom - height * 0.2]
        const [[topA, endA], [topB, endB]] = [letters(a.rect), letters(b.rect)]
        const [left, right] = [Math.max(a.rect.left, b.rect.left), Math.min(a.rect.right, b.rect.right)]
        if (Math.min(endA, endB) - Math.max(topA, topB) > 2 && right - left > 4)
          over.push(`${a.section}: “${a.element.textContent!.slice(0, 30)}” and “${b.element.textContent!.slice(0, 30)}”`)
      }
    return { out, broken, over, words }
  }, width)
}

for (const template of TEMPLATES)
  test(`every design under ${template}, altered in every way it answers to, keeps its words in the window, whole and apart`, async ({
    page,
  }) => {
    test.setTimeout(420_000)
    await page.emulateMedia({ reducedMotion: 'reduce' })
    const all = designsOn(siteOn(template, {}, 'Ota & Sons'), null, 'paper')
    const faults: string[] = []
    const plain = new Map<number, Found>()
    const show = async (site: Site): Promise<void> => {
      await showPublished(page, site, all.page)
      await page.evaluate(async () => {
        document.querySelectorAll('img').forEach((img) => (img.loading = 'eager'))
        await Promise.all([...document.images].map((img) => img.decode().catch(() => null)))
      })
    }
    await show(all.site)
    for (const { width } of SHEETS) {
      await page.setViewportSize({ width, height: 900 })
      plain.set(width, await look(page, width))
    }
    for (let nth = 0; nth < CUTS; nth++) {
      const altered = cut(all.site, nth)
      await show(altered)
      for (const { width } of SHEETS) {
        await page.setViewportSize({ width, height: 900 })
        const now = await look(page, width)
        const before = plain.get(width)!
        for (const what of ['out', 'broken', 'over'] as const)
          for (const one of new Set(now[what])) if (!before[what].includes(one)) faults.push(`cut ${nth} at ${width}, ${what}: ${one}`)
        const wide = await page.evaluate(() => document.documentElement.scrollWidth)
        if (wide > width) faults.push(`cut ${nth} at ${width} is ${wide} wide`)
        expect(now.words).toBeGreaterThan(700)
      }
      for (const width of [390, 1280]) {
        await page.setViewportSize({ width, height: 900 })
        for (const one of await axeFaults(page, { only: ['color-contrast'] })) faults.push(`cut ${nth} at ${width}: ${one}`)
      }
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
