import { expect, test, type Locator } from './test'
import { cell, makeJob, openContent, saved, sheet, tab } from './screen'

type Seen = { readonly line: string; readonly outline: string; readonly isDrawn: boolean }
const look = (place: Locator): Promise<Seen> =>
  place.evaluate((element) => {
    const { textDecorationLine, textDecorationStyle, outlineStyle, outlineWidth } = getComputedStyle(element)
    const { width, height } = element.getBoundingClientRect()
    return {
      line: `${textDecorationLine} ${textDecorationStyle}`,
      outline: `${outlineStyle} ${outlineWidth}`,
      isDrawn: width > 0 && height > 0,
    }
  })

test('every kind of leftover is basted on a sheet as a browser sees it: words, rich text, links, facts, pictures', async ({ page }) => {
  await openContent(page, await makeJob({ name: 'Basting' }))
  const desktop = sheet(page, 'desktop')
  const kinds = {
    words: desktop.locator('h1[data-basted]').first(),
    rich: desktop.locator('[data-basted][data-rich]').first(),
    'a paragraph of rich text': desktop.locator('[data-basted][data-rich] p').first(),
    link: desktop.locator('a[data-basted]').first(),
    fact: desktop.locator('[data-place*="phone"][data-basted]').first(),
    entry: desktop.locator('li [data-basted]').first(),
  }
  for (const [kind, place] of Object.entries(kinds)) {
    const { line, isDrawn } = await look(place)
    expect(line, kind).toBe('underline dashed')
    expect(isDrawn, kind).toBe(true)
  }
  const pictures = await desktop.locator('img[data-basted]').all()
  expect(pictures.length).toBeGreaterThan(1)
  for (const picture of pictures) expect((await look(picture)).outline).toBe('dashed 4px')
  await cell(page, 'Hero: Heading').fill('The client’s own')
  await expect(desktop.locator('h1')).not.toHaveAttribute('data-basted', '')
  expect((await look(desktop.locator('h1'))).line).not.toContain('dashed')
})

test('a place emptied on a sheet stays while it is typed in, goes when it is left, and comes back with its first letter', async ({
  page,
}) => {
  await openContent(page, await makeJob({ name: 'Emptied' }))
  const heading = sheet(page, 'desktop').locator('.hero-bench h1')
  await heading.click()
  await page.keyboard.press('ControlOrMeta+a')
  await page.keyboard.press('Delete')
  await expect(cell(page, 'Hero: Heading')).toHaveValue('')
  await expect(heading).toBeFocused()
  expect((await look(heading)).isDrawn).toBe(true)
  await page.keyboard.type('Typed on')
  for (const name of ['desktop', 'tablet', 'phone'] as const)
    await expect(sheet(page, name).locator('.hero-bench h1')).toHaveText('Typed on')
  await page.keyboard.press('ControlOrMeta+a')
  await page.keyboard.press('Delete')
  await page.keyboard.press('Escape')
  for (const name of ['desktop', 'tablet', 'phone'] as const) await expect(sheet(page, name).locator('.hero-bench h1')).toHaveCount(0)
  await cell(page, 'Hero: Heading').press('B')
  for (const name of ['desktop', 'tablet', 'phone'] as const) await expect(sheet(page, name).locator('.hero-bench h1')).toHaveText('B')
  await saved(page)
})

test('a section with nothing in it is folded to a seam on the sheets, and takes no room there', async ({ page }) => {
  await openContent(page, await makeJob({ name: 'Folded' }))
  await tab(page, 'About').click()
  const desktop = sheet(page, 'desktop')
  const quote = desktop.locator('[data-section="about.quote"]')
  await expect(quote).toContainClass('quote-flyleaf')
  const lines = page.locator('[data-row="about.quote name"]').getByRole('list', { name: 'Lines at each width' })
  await expect(lines).toHaveCount(1)
  for (const name of ['Quote', 'Name', 'Detail']) {
    await cell(page, `Quote: ${name}`).fill('Something')
    await cell(page, `Quote: ${name}`).fill('')
  }
  await expect(quote).toContainClass('seam')
  await expect(quote).toHaveText('quote: nothing in it, not published')
  await expect(lines).toHaveCount(0)
  expect(await quote.evaluate((element) => element.getBoundingClientRect().height)).toBe(0)
  await cell(page, 'Quote: Name').fill('Somebody')
  await expect(quote).toContainClass('quote-flyleaf')
})
