import { expect, test } from './test'
import { getTemplate } from '../../src/core/pack'
import { tokenCss } from '../../src/core/render'
import { homePage, type Brand, type Dark } from '../../src/core/site'
import { testPack } from '../pack'
import { askAxe } from './axe'
import { distinctSections, pageHtml, siteOn, TEMPLATES } from './template-page'
import { hiddenWindow, showHtml, widen } from './site-server'

/** A dozen brands and more that no template was made for, and every form that a button can take. */
const HOSTILE: readonly { readonly brand: Brand; readonly dark?: Dark; readonly why: string }[] = [
  { why: 'pure yellow', brand: { colour: '#ffff00', second: '#ffff00' } },
  { why: 'pure black', brand: { colour: '#000000', second: '#000000' } },
  { why: 'white', brand: { colour: '#ffffff', second: '#ffffff', third: '#ffffff' } },
  { why: 'mid-grey', brand: { colour: '#808080', second: '#777777', third: '#7f7f7f' } },
  { why: 'three alike', brand: { colour: '#00ff00', second: '#00ff00', third: '#00ff00' } },
  { why: 'pale pink, outlined buttons', brand: { colour: '#ffd9e6', second: '#ffe4ef', shape: { button: 'outline', corner: 20 } } },
  { why: 'magenta by night', brand: { colour: '#ff00ff', second: '#00ffff' }, dark: true },
  { why: 'pure blue, underlined buttons', brand: { colour: '#0000ff', shape: { button: 'underline', rule: 6 } } },
  { why: 'near-black by night', brand: { colour: '#0a0a0a', second: '#111111' }, dark: true },
  { why: 'the edge of 4.5', brand: { colour: '#767676', second: '#949494', third: '#595959' } },
  {
    why: 'red beside green, round buttons',
    brand: { colour: '#d4201c', second: '#1c8a2b', third: '#d4201c', shape: { button: 'round', density: 0.6 } },
  },
  {
    why: 'roles by hand that cannot be read',
    brand: {
      colour: '#7a2e1d',
      roles: {
        'light/paper/text': '#fafafa',
        'light/paper/link': '#fff6a0',
        'light/ink/text': '#222222',
        'light/tint/surface': '#303030',
        'light/accent/muted': '#888888',
        'light/paper/button-text': '#7a2e1d',
      },
    },
  },
  { why: 'white on yellow by night', brand: { colour: '#ffff00', second: '#ffffff', roles: { 'dark/paper/link': '#111111' } }, dark: true },
]

for (const template of TEMPLATES) {
  test(
    `no text on any page of ${template} fails for a dozen brands it was never made for, by axe’s own measure, and ` +
      'links are told apart by more than colour',
    async ({ page }) => {
      // No colour on its way from one brand to the next.
      await page.emulateMedia({ reducedMotion: 'reduce' })
      const { site, page: all } = distinctSections(siteOn(template, {}, 'Ota & Sons'))
      const shown = await hiddenWindow(page)
      await showHtml(shown, pageHtml(site, all.id))
      for (const { brand, dark = false, why } of HOSTILE) {
        await shown.locator('#tokens').evaluate(
          (style, css) => {
            style.textContent = css
          },
          tokenCss(siteOn(template, brand, 'Ota & Sons', dark)),
        )
        const { faults, judged } = await askAxe(shown, { only: ['color-contrast', 'link-in-text-block'] })
        expect(faults, why).toEqual([])
        expect(judged, why).toBeGreaterThan(30)
      }
    },
  )
}

test('every header holds from 240 px to 2400 px with a logo as wide as a ribbon, as tall as a tower, or twice its size', async ({
  page,
}) => {
  const shapes = [
    { width: 2400, height: 200 },
    { width: 200, height: 900 },
    { width: 500, height: 500 },
  ]
  const shown = await hiddenWindow(page)
  for (const template of TEMPLATES)
    for (const [i, shape] of shapes.entries()) {
      const site = siteOn(template, {}, 'Ota & Sons')
      const logo = { ...site.assets['tallow/front-door.jpg']!, ...shape, id: 'logo' }
      const brand: Brand = { logo: 'logo', 'logo-size': i === 0 ? { desktop: 2.5, phone: 2.5 } : { desktop: 1, phone: 0.6 } }
      const worn = { ...site, assets: { ...site.assets, logo }, document: { ...site.document, brand } }
      await showHtml(shown, pageHtml(worn, homePage(worn.document).id))
      for (const width of [240, 320, 390, 560, 735, 736, 927, 928, 1024, 1280, 2400]) {
        await widen(shown, width)
        const found = await shown.evaluate(() => {
          const [header, logoBox] = [
            document.querySelector('header')!.getBoundingClientRect(),
            document.querySelector('header img.logo')!.getBoundingClientRect(),
          ]
          const others = [...document.querySelectorAll('header .open, header .ring, header nav a, header .book')]
            .map((e) => e.getBoundingClientRect())
            .filter((r) => r.width > 0)
          const laps = others.some(
            (r) => r.left < logoBox.right - 1 && r.right > logoBox.left + 1 && r.top < logoBox.bottom - 1 && r.bottom > logoBox.top + 1,
          )
          return {
            over: document.querySelector('header')!.scrollWidth - Math.ceil(header.width),
            inside: logoBox.left >= header.left - 1 && logoBox.right <= header.right + 1 && logoBox.bottom <= header.bottom + 1,
            seen: logoBox.width > 8 && logoBox.height > 8,
            laps,
          }
        })
        expect(found, `${template}, ${shape.width} × ${shape.height}, at ${width}`).toMatchObject({ inside: true, seen: true, laps: false })
        expect(found.over, `${template}, ${shape.width} × ${shape.height}, at ${width}`).toBeLessThanOrEqual(0)
      }
    }
})

test('menus and quotes are read as the template’s own header and quoting section set them', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 })
  let quotes = 0
  for (const template of TEMPLATES) {
    const { type, pages } = getTemplate(testPack(), template)
    const site = siteOn(template, {}, 'Ota & Sons')
    const quoting = pages.find((p) => p.sections.some((s) => s.kind === 'quote' || s.kind === 'testimonials'))
    await showHtml(page, pageHtml(site, (quoting ?? pages[0]!).key))
    const seen = (selector: string): Promise<{ size: number; weight: number }> =>
      page
        .locator(selector)
        .first()
        .evaluate((e) => ({ size: Number.parseFloat(getComputedStyle(e).fontSize), weight: Number(getComputedStyle(e).fontWeight) }))
    expect((await seen('header .menu a:not([aria-current])')).weight, template).toBe(type.styles.menu.weight)
    if (!quoting) continue
    quotes++
    // A design may set one quote of several larger or smaller; the others have its plain rule.
    const sizes = await page.locator('blockquote').evaluateAll((all) => all.map((e) => Number.parseFloat(getComputedStyle(e).fontSize)))
    expect(
      sizes.some((size) => Math.abs(size - type.styles.quote.desktop) < 0.1),
      `${template}: ${sizes.join(', ')}`,
    ).toBe(true)
    expect((await seen('blockquote')).weight, template).toBe(type.styles.quote.weight)
  }
  expect(quotes).toBeGreaterThanOrEqual(3)
})

test('what the application reads out of a template’s CSS is what Chromium makes of it, at 390 and at 1280 px', async ({ page }) => {
  for (const template of TEMPLATES) {
    const { styles } = getTemplate(testPack(), template).type
    const site = siteOn(template, {}, 'Ota & Sons')
    const css = `${tokenCss(site)}${getTemplate(testPack(), template).css}`
    for (const [width, at] of [
      [390, 'phone'],
      [1280, 'desktop'],
    ] as const) {
      await page.setViewportSize({ width, height: 800 })
      await page.setContent(
        `<!doctype html><html><head><style>${css}</style></head><body><h1>A</h1><h2>A</h2><h3>A</h3><p>A</p><a ` +
          'class="button" href="#">A</a></body></html>',
      )
      for (const [name, selector] of [
        ['h1', 'h1'],
        ['h2', 'h2'],
        ['h3', 'h3'],
        ['body', 'p'],
        ['button', '.button'],
      ] as const) {
        const seen = await page.locator(selector).evaluate((e) => {
          const { fontSize, fontWeight, lineHeight, letterSpacing, textTransform } = getComputedStyle(e)
          return {
            size: Number.parseFloat(fontSize),
            weight: Number(fontWeight),
            line: Number.parseFloat(lineHeight) / Number.parseFloat(fontSize),
            spacing: (Number.parseFloat(letterSpacing) || 0) / Number.parseFloat(fontSize),
            upper: textTransform === 'uppercase',
          }
        })
        const ours = styles[name]
        expect(Math.abs(seen.size - ours[at]), `${template} ${name} at ${width}: ${seen.size}`).toBeLessThan(0.1)
        expect(seen.weight, `${template} ${name}`).toBe(ours.weight)
        expect(seen.line, `${template} ${name}`).toBeCloseTo(ours.line, 1)
        expect(seen.spacing, `${template} ${name}`).toBeCloseTo(ours.spacing, 2)
        expect(seen.upper).toBe(ours.case === 'upper')
      }
    }
  }
})
