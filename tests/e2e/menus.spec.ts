import { expect, test, type Page } from './test'
import type { Site } from '../../src/core/fill'
import { applyEdit, pagesIn, pagesOf, toEdit, type EditStep, type Page as SitePage, type PageId } from '../../src/core/site'
import { axeFaults } from './axe'
import { showFramed } from './site-server'
import { showPublished, siteOn, TEMPLATES } from './template-page'

/** A site whose menu opens: two pages under the second, one under the first of those, and an entry that leads elsewhere. */
function nestedSite(template: string): { site: Site; of: SitePage; deep: SitePage } {
  const plain = siteOn(template, {}, 'Ota & Sons')
  const [, parent, first, second, third] = pagesOf(plain.document).filter((page) => page.listed === 'menu')
  const under = { type: 'page', page: parent!.id } as const
  const steps: EditStep[] = [
    { type: 'page/move', page: first!.id, in: under, rank: 'a1' },
    ...(second ? [{ type: 'page/move', page: second.id, in: under, rank: 'a2' } as const] : []),
    ...(third ? [{ type: 'page/move', page: third.id, in: { type: 'page', page: first!.id }, rank: 'a1' } as const] : []),
    {
      type: 'signpost/set',
      signpost: 'shop',
      value: {
        id: 'shop',
        in: under,
        rank: 'a3',
        listed: 'menu',
        label: { text: 'Shop by post' },
        to: { type: 'url', url: 'https://shop.example/' },
      },
    },
  ]
  const applied = applyEdit(plain.document, toEdit(steps))
  if (!applied.ok) throw new Error(applied.problem.code)
  const site = { ...plain, document: applied.document }
  return { site, of: pagesOf(site.document)[0]!, deep: pagesIn(site.document, under)[0]! }
}

/** Whether those who hear the page are told that the list is open: the browser says it of the button by itself. */
async function isExpanded(page: Page): Promise<boolean | undefined> {
  const cdp = await page.context().newCDPSession(page)
  const { nodes } = await cdp.send('Accessibility.getFullAXTree')
  const button = nodes.find((node) => node.role?.value === 'button' && String(node.name?.value).endsWith(': Pages'))
  return button?.properties?.find((property) => property.name === 'expanded')?.value.value as boolean | undefined
}

/** What reaches out of the window at its end. */
const wide = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    document.documentElement.scrollWidth <= innerWidth
      ? []
      : [...document.body.querySelectorAll<HTMLElement>('*')]
          .filter((e) => e.getBoundingClientRect().right > innerWidth && e.checkVisibility())
          .map((e) => `${e.closest('[class*=tone-]')?.className} ${e.parentElement?.className} ${e.tagName} ${e.textContent}`),
  )

// WAI-ARIA Authoring Practices, “Disclosure Navigation Menu with Top-Level Links”, keyboard table: Tab and Shift+Tab go through links and
// buttons and the links of a list that is open; Space and Enter press a button or follow a link; Escape closes a list and leaves the
// focus on its button.
for (const template of TEMPLATES.filter((name) => name !== 'blank'))
  test(`the menu of ${template} opens a list by keyboard as the Authoring Practices say, and by touch, and needs no script`, async ({
    browser,
  }) => {
    const { site, of, deep } = nestedSite(template)
    const context = await browser.newContext({ javaScriptEnabled: false, viewport: { width: 1280, height: 800 } })
    const page = await context.newPage()
    await showPublished(page, site, of)
    const menu = page.getByRole('navigation', { name: 'Pages', exact: true })
    const button = menu.getByRole('button', { name: /: Pages$/ })
    const inside = menu.getByRole('link', { name: 'Shop by post' })
    await expect(button).toHaveCount(1)
    await expect(inside).toBeHidden()
    await button.focus()
    await page.keyboard.press('Enter')
    await expect(inside).toBeVisible()
    expect(await isExpanded(page)).toBe(true)
    await page.keyboard.press('Tab')
    await expect(menu.getByRole('link', { name: site.pack.templates[template]!.pages.find((p) => p.key === deep.id)!.name })).toBeFocused()
    await page.keyboard.press('Escape')
    await expect(inside).toBeHidden()
    expect(await isExpanded(page)).toBe(false)
    await expect(button).toBeFocused()
    await page.keyboard.press('Space')
    await expect(inside).toBeVisible()
    const [list, opener] = [(await inside.boundingBox())!, (await button.boundingBox())!]
    // It opens at its entry, under it.
    expect(list.y).toBeGreaterThan(opener.y + opener.height / 2)
    expect(Math.abs(list.x - opener.x)).toBeLessThan(320)
    await page.mouse.click(640, 780)
    await expect(inside).toBeHidden()
    await context.close()
  })

for (const template of TEMPLATES)
  test(`an open menu of ${template} keeps within the window from phone to desktop, and axe finds nothing`, async ({ page }) => {
    const { site, deep } = nestedSite(template)
    // No colour on its way from the form on the phone to that on the desktop.
    await page.emulateMedia({ reducedMotion: 'reduce' })
    await page.setViewportSize({ width: 1280, height: 800 })
    await showPublished(page, site, deep)
    const menu = page.getByRole('navigation', { name: 'Pages', exact: true })
    for (const width of [320, 390, 820, 1024, 1280, 1920]) {
      await page.setViewportSize({ width, height: 800 })
      const phone = page.getByRole('button', { name: 'Menu', exact: true })
      const isPhone = await phone.isVisible()
      await (isPhone ? phone : menu.getByRole('button', { name: /: Pages$/ })).click()
      await expect(menu.getByRole('link', { name: 'Shop by post' })).toBeVisible()
      expect(await wide(page), `at ${width}`).toEqual([])
      const box = (await menu.getByRole('link', { name: 'Shop by post' }).boundingBox())!
      expect(box.x >= 0 && box.x + box.width <= width, `at ${width}`).toBe(true)
      expect(box.height).toBeGreaterThanOrEqual(24)
      if (width === 390 || width === 1280) {
        expect(await axeFaults(page), `at ${width}`).toEqual([])
      }
      await page.keyboard.press('Escape')
    }
    // In an open list the page in hand is marked as the list marks it, not as the design marks its bar.
    const inList = menu.locator('.menu-under [aria-current]')
    const look = await inList.first().evaluate((e) => [getComputedStyle(e).boxShadow, getComputedStyle(e).borderBottomWidth])
    expect(look).toEqual(['none', '0px'])
    // The page in hand and what it stands under are marked.
    await expect(menu.locator('[aria-current="page"]')).toHaveCount(1)
    await expect(menu.locator('[aria-current="true"]')).toHaveCount(1)
  })

/** A site whose menu lists as many pages as are asked for, with names as long as they come. */
function siteListing(template: string, count: number): { site: Site; of: SitePage } {
  const plain = siteOn(template, {}, 'Ota & Sons')
  const names = [
    'Home',
    'About the two of us',
    'What we do',
    'Prices',
    'Through the year',
    'Work',
    'Coming here',
    'Questions',
    'Care',
    'Ring',
  ]
  const listed = pagesOf(plain.document).filter((page) => page.listed === 'menu')
  const steps: EditStep[] = names.slice(0, count).flatMap((text, i): EditStep[] => {
    const known = listed[i]
    if (known) return [{ type: 'page/set', page: known.id, part: 'label', value: text }]
    const id = `more-${i}` as PageId
    const page = { ...plain.document.pages[listed[0]!.id]!, id, rank: `b0${i}`, segment: id, origin: null, texts: { name: { text } } }
    return [{ type: 'page/insert', page }]
  })
  for (const page of listed.slice(count)) steps.push({ type: 'page/set', page: page.id, part: 'listed', value: 'nowhere' })
  const applied = applyEdit(plain.document, toEdit(steps))
  if (!applied.ok) throw new Error(applied.problem.code)
  return { site: { ...plain, document: applied.document }, of: pagesOf(applied.document)[0]! }
}

/** How many entries stand on each line of a page's menu, in windows from 320 to 1920 px: the page in a frame that is made wider. */
async function linesOfMenu(page: Page): Promise<{ width: number; lines: number[] }[]> {
  const framed = await showFramed(page)
  return framed.evaluate(() => {
    const frame = window.frameElement as HTMLIFrameElement
    frame.style.height = '700px'
    return Array.from({ length: 26 }, (_, i) => 320 + 64 * i).map((width) => {
      frame.style.width = `${width}px`
      const tops = new Map<number, number>()
      for (const entry of document.querySelectorAll('header nav.menu > ul > li')) {
        const { top, height } = entry.getBoundingClientRect()
        if (height > 0) tops.set(Math.round(top), (tops.get(Math.round(top)) ?? 0) + 1)
      }
      return { width, lines: [...tops.values()] }
    })
  })
}

for (const template of TEMPLATES)
  test(`no entry of ${template}’s menu stands alone on a second line, from three entries to ten, at any width`, async ({ page }) => {
    let several = 0
    for (let count = 3; count <= 10; count++) {
      const { site, of } = siteListing(template, count)
      await showPublished(page, site, of)
      for (const { width, lines } of await linesOfMenu(page)) {
        if (lines.length < 2) continue
        several++
        expect(Math.min(...lines), `${count} entries at ${width}: ${lines.join(' + ')}`).toBeGreaterThan(1)
      }
    }
    // Where a menu is never on two lines there is nothing to balance; with ten entries each is, at some width.
    expect(several).toBeGreaterThan(0)
  })
