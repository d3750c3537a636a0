import { expect, test, type Frame } from './test'
import type { Tone } from '../../src/core/site'
import { SHEETS } from '../../src/ui/sheets/widths'
import { axeFaults } from './axe'
import { hiddenWindow, widen } from './site-server'
import { designsOn, loadPictures, showPublished, siteOn, TEMPLATES } from './template-page'

/** Every design there is on one page, under the finish of a template. */
async function showAll(page: Frame, template: string, tone: Tone): Promise<void> {
  const { site, page: of } = designsOn(siteOn(template, {}, 'Ota & Sons'), null, tone)
  await showPublished(page, site, of)
  await loadPictures(page)
}

/** Sections in which a vertical rule that the template draws (`--ruling`, at `--at`) runs through a line of words. */
function crossed(page: Frame): Promise<{ ruled: number; crossed: string[] }> {
  return page.evaluate(() => {
    const found: string[] = []
    let ruled = 0
    for (const section of document.querySelectorAll<HTMLElement>('[class*="tone-"]')) {
      const look = getComputedStyle(section)
      if (!look.backgroundImage.includes('linear-gradient') || look.backgroundRepeat !== 'no-repeat') continue
      ruled++
      const probe = document.createElement('i')
      probe.style.cssText = 'grid-area:auto;position:absolute;inset-block-start:0;inset-inline-start:var(--at);width:var(--line);height:1px'
      section.style.position = 'relative'
      section.append(probe)
      const rule = probe.getBoundingClientRect()
      probe.remove()
      const words = document.createTreeWalker(section, NodeFilter.SHOW_TEXT)
      for (let node = words.nextNode(); node; node = words.nextNode()) {
        const element = node.parentElement!
        if (!node.textContent?.trim() || !element.checkVisibility({ visibilityProperty: true })) continue
        // What has a ground of its own lies over the rule.
        let over = element
        while (over !== section && getComputedStyle(over).backgroundColor === 'rgba(0, 0, 0, 0)') over = over.parentElement!
        if (over !== section) continue
        const range = document.createRange()
        range.selectNodeContents(node)
        const isCrossed = [...range.getClientRects()].some((line) => line.left < rule.left - 1 && line.right > rule.right + 1)
        if (isCrossed) found.push(`${section.className.split(' ')[0]}: ${node.textContent.trim().slice(0, 40)}`)
      }
    }
    return { ruled, crossed: found }
  })
}

for (const template of TEMPLATES)
  test(`every design under the finish of ${template} keeps within the window and off the rules, and axe finds nothing`, async ({
    page,
  }) => {
    let ruled = 0
    const shown = await hiddenWindow(page)
    for (const tone of ['paper', 'ink'] as const) {
      await showAll(shown, template, tone)
      for (const { width } of SHEETS) {
        await widen(shown, width)
        expect(await shown.evaluate(() => document.documentElement.scrollWidth), `${tone} at ${width}`).toBeLessThanOrEqual(width)
        const rules = await crossed(shown)
        expect(rules.crossed, `${tone} at ${width}`).toEqual([])
        ruled += rules.ruled
      }
    }
    expect(await shown.locator('main > section').count()).toBeGreaterThan(60)
    // Only Tallow draws such a rule.
    expect(ruled > 0).toBe(template === 'tallow')
    await widen(shown, 1280)
    await showAll(shown, template, 'tint')
    // One page holds every design, so headings of pages and sections follow each other as they never do on a site.
    expect(await axeFaults(shown, { without: ['page-has-heading-one', 'heading-order', 'landmark-unique'] })).toEqual([])
  })
