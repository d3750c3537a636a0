import { expect, test } from './test'
import type { Site } from '../../src/core/fill'
import { getTemplate } from '../../src/core/pack'
import { pagesOf } from '../../src/core/site'
import { testPack } from '../pack'
import { axeFaults } from './axe'
import { pageHtml, siteOn, TEMPLATES } from './template-page'
import { hiddenWindow, showHtml, widen } from './site-server'

// Brands that no template was made for: pure yellow beside near-black, a pale pink, mid-grey, and a bright magenta by night.
const BRANDS = [
  { brand: { colour: '#ffff00', second: '#101010' }, dark: false },
  { brand: { colour: '#ffd9e6' }, dark: false },
  { brand: { colour: '#808080', second: '#818181', third: '#7f7f7f' }, dark: false },
  { brand: { colour: '#ff00ff' }, dark: true },
] as const
const LONG = 'Wolverstone, Abernethy-Featherstonehaugh & Daughters of the Old Rectory Clockmakers, Restorers and Purveyors of Clocks'
for (const template of TEMPLATES) {
  test(
    `every page of ${template}, in brands it was not made for, on desktop and phone: axe finds nothing, nothing is ` +
      'wider than the window',
    async ({ page }) => {
      let looked = 0
      const shown = await hiddenWindow(page)
      for (const { id } of getTemplate(testPack(), template).pages.map((p) => ({ id: p.key }))) {
        for (const width of [1280, 390]) {
          const { brand, dark } = BRANDS[looked % BRANDS.length]!
          const site = siteOn(template, brand, looked % 3 === 0 ? LONG : 'Ota & Sons', dark)
          await widen(shown, width)
          await showHtml(shown, pageHtml(site, id))
          expect(await shown.evaluate(() => document.documentElement.scrollWidth), `${id} at ${width}`).toBeLessThanOrEqual(width)
          expect(await axeFaults(shown), `${id} at ${width}`).toEqual([])
          looked++
        }
      }
      expect(looked).toBeGreaterThanOrEqual(10)
    },
  )
}

for (const width of [820, 1920]) {
  test(`no page of any template is wider than a window of ${width} px, whatever the name and the logo`, async ({ page }) => {
    const window = await hiddenWindow(page)
    await widen(window, width)
    for (const template of TEMPLATES) {
      const site = siteOn(template, BRANDS[0].brand, LONG)
      const ribbon = { ...site.assets['tallow/front-door.jpg']!, id: 'ribbon', width: 2400, height: 240 }
      const worn: Site = {
        ...site,
        assets: { ...site.assets, ribbon },
        document: { ...site.document, brand: { ...site.document.brand, logo: 'ribbon' } },
      }
      for (const p of pagesOf(site.document))
        for (const shown of [site, worn]) {
          await showHtml(window, pageHtml(shown, p.id))
          expect(await window.evaluate(() => document.documentElement.scrollWidth), `${template} ${p.id}`).toBeLessThanOrEqual(width)
        }
    }
  })
}
