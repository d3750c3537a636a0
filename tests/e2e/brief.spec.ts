import { expect, test } from './test'
import sharp from 'sharp'
import { APP, makeJob, visit } from './screen'
import { askApp } from '../door'

test.use({ ownTab: true })

test('an everyday word finds the trade, by keys too; a trade that is not known is kept as written', async ({ page }) => {
  await visit(page, '/new')
  const trade = page.getByLabel('Trade')
  await trade.fill('cobb')
  await expect(page.getByRole('option', { name: /Shoe repair — cobbler/ })).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(trade).toHaveValue('Shoe repair')
  await trade.fill('Zeppelin pilot')
  await expect(page.getByText('Not among the known trades; kept as written')).toBeVisible()
  await page.getByLabel('Client’s name').fill('Up & Away')
  await page.getByRole('button', { name: 'Make the job' }).click()
  await expect(page).toHaveURL(/\/template/)
})

test('what is typed, ticked and chosen before the page has come alive counts, and who typed stays where they were', async ({ page }) => {
  let comeAlive = (): void => {}
  const held = new Promise<void>((resolve) => {
    comeAlive = resolve
  })
  await page.route(/\.js(\?|$)/, async (route) => {
    await held
    await route.continue()
  })
  await page.goto(`${APP}/new`, { waitUntil: 'commit' })
  await page.getByRole('checkbox', { name: 'Selling' }).check()
  await page.getByRole('textbox', { name: 'Brand colour' }).fill('teal')
  await page.getByLabel('Social profiles').fill('not an address')
  await page.getByLabel('Client’s name').fill('Early & Co')
  await page.getByLabel('Email').pressSequentially('post@early.example')
  comeAlive()
  await expect(page.getByText('“not an address” is not a web address.')).toBeVisible()
  await expect(page.getByLabel('Email')).toBeFocused()
  await expect(page.getByLabel('Email')).toHaveValue('post@early.example')
  await expect(page.getByRole('checkbox', { name: 'Selling' })).toBeChecked()
  await expect(page.frameLocator('iframe[title^="Home page, desktop"]').getByText('Early & Co').first()).toBeVisible()
  await page.getByRole('button', { name: 'Make the job' }).click()
  await expect(page).toHaveURL(/\/template/)
  await page.getByRole('link', { name: /^Brief/ }).click()
  await expect(page.getByRole('textbox', { name: 'Brand colour' })).toHaveValue(/#008080|teal/)
  await expect(page.getByLabel('Email')).toHaveValue('post@early.example')
  await expect(page.getByRole('checkbox', { name: 'Selling' })).toBeChecked()
})

test('the home page follows purposes, colours, profiles and a right-to-left name, and the template follows the trade', async ({ page }) => {
  await visit(page, '/new')
  const home = page.frameLocator('iframe[title^="Home page, desktop"]')
  await page.getByLabel('Client’s name').fill('مخبز النور')
  await expect(home.getByRole('banner').getByText('مخبز النور')).toHaveCSS('direction', 'rtl')
  await page.getByLabel('Client’s name').fill('光の家具工房')
  await expect(home.getByRole('banner')).toContainText('光の家具工房')
  await page.getByLabel('Trade').fill('Dentist')
  await expect(page.getByText('Worn here: Limewash')).toBeVisible()
  await page.getByRole('checkbox', { name: 'Selling' }).check()
  await expect(page.getByText(/prices set out as a list/)).toBeVisible()
  await page.getByLabel('Social profiles').fill('example.social/light\nnot an address')
  await expect(page.getByText('“not an address” is not a web address.')).toBeVisible()
  await expect(home.getByRole('contentinfo').getByRole('link', { name: 'example.social/light' })).toHaveAttribute(
    'href',
    'https://example.social/light',
  )
})

test('three colours, each understood in its own notation, with advice where they are alike or cannot be read', async ({ page }) => {
  await visit(page, '/new')
  await page.getByRole('textbox', { name: 'Brand colour' }).fill('oklch(0.968 0.211 109.77)')
  await expect(page.getByText(/On paper it reaches 1\.\d:1, and text needs 4\.5:1/)).toBeVisible()
  await page.getByRole('textbox', { name: 'Second colour' }).fill('rgb(100% 100% 2%)')
  await expect(page.getByText('Two of these colours are hardly apart')).toBeVisible()
  await page.getByRole('textbox', { name: 'Third colour' }).fill('teal')
  const quote = page.frameLocator('iframe[title^="Home page, desktop"]').locator('.tone-ink').first()
  expect(await quote.evaluate((e) => getComputedStyle(e).getPropertyValue('--mark'))).not.toBe('')
})

test('times that overlap and numbers that cannot exist are said beside their fields', async ({ page }) => {
  await visit(page, `/jobs/${await makeJob({ name: 'Faults' })}/brief`)
  await page.getByLabel('Telephone').fill('12')
  await page.getByLabel('Email').focus()
  await expect(page.getByText('“12” has too few digits for a telephone number')).toBeVisible()
  await page.getByLabel('Country').fill('Germany')
  await page.getByLabel('Telephone').fill('030 901820')
  await expect(page.getByText(/too few digits/)).toBeHidden()
  await expect(
    page.frameLocator('iframe[title^="Home page, desktop"]').getByRole('banner').getByRole('link', { name: '030 901820' }),
  ).toHaveAttribute('href', 'tel:+4930901820')
  await page.getByText('Opening hours', { exact: true }).click()
  await page.getByLabel('Wed').fill('9–13, 12–17')
  await expect(page.getByText('“12–17” overlaps the times before it.')).toBeVisible()
})

test('advice is given while a logo is chosen: a white one, a ribbon, none', async ({ page }) => {
  await visit(page, '/new')
  const white = await sharp({ create: { width: 300, height: 200, channels: 4, background: '#ffffff' } })
    .composite([
      {
        input: { create: { width: 300, height: 80, channels: 4, background: { r: 0, g: 0, b: 0, alpha: 0 } } },
        blend: 'dest-in',
        left: 0,
        top: 0,
      },
    ])
    .png()
    .toBuffer()
  const svg = Buffer.from(
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 300 200"><circle cx="150" cy="100" r="80" fill="#fff"/></svg>',
  )
  const ribbon = Buffer.from(
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 2000 200"><rect width="1900" height="160" fill="#a33"/></svg>',
  )
  const choose = (name: string, buffer: Buffer): Promise<void> =>
    page.getByLabel('Logo file').setInputFiles({ name, mimeType: name.endsWith('svg') ? 'image/svg+xml' : 'image/png', buffer })
  await choose('white.svg', svg)
  await expect(page.getByText('It is light all over: on a light header it cannot be seen.')).toBeVisible()
  await choose('ribbon.svg', ribbon)
  await expect(page.getByText('12 times wider than high')).toBeVisible() // As it is without its margins: 1900 × 160.
  await choose('flat.png', await sharp(white).flatten({ background: '#fff' }).png().toBuffer())
  await expect(page.getByText('It is one flat box')).toBeVisible()
  await page.getByRole('button', { name: 'Remove' }).click()
  await expect(page.getByText('SVG or transparent PNG.')).toBeVisible()
})

test('a dark logo gets a white version for dark surfaces, and each header takes the one that can be seen on it', async ({ page }) => {
  await visit(page, '/new')
  await page.getByLabel('Client’s name').fill('Two Logos')
  await page.getByLabel('Trade').fill('Plant nursery') // Windrow: its header stands on ink.
  const header = page.frameLocator('iframe[title^="Home page, desktop"]').getByRole('banner')
  const svg = Buffer.from(
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 300 200"><rect width="300" height="120" fill="#123a2c"/>' +
      '<circle cx="150" cy="60" r="40" fill="#fff"/><path d="M0 190h300v10H0z" fill="#123a2c"/></svg>',
  )
  await page.getByLabel('Logo file').setInputFiles({ name: 'dark.svg', mimeType: 'image/svg+xml', buffer: svg })
  await expect(page.getByText('on dark: the same')).toBeVisible()
  const before = await header.getByRole('img').getAttribute('src')
  await page.getByRole('button', { name: 'Make a white one for dark surfaces' }).click()
  await expect(header.getByRole('img')).not.toHaveAttribute('src', before!)
  const drawing = await (await askApp(APP + (await header.getByRole('img').getAttribute('src')))).text()
  const { data, info } = await sharp(Buffer.from(drawing)).resize(300, 200).ensureAlpha().raw().toBuffer({ resolveWithObject: true })
  const at = (x: number, y: number): number[] => [...data.subarray((y * info.width + x) * 4, (y * info.width + x) * 4 + 4)]
  expect(at(20, 20)).toEqual([255, 255, 255, 255]) // The dark field is printed white.
  expect(at(150, 60)[3]).toBe(0) // The white disc stays open, the ground clear.
  expect(at(150, 160)[3]).toBe(0)
  await page.getByLabel('Trade').fill('Dentist') // Limewash: its header stands on paper.
  await expect(header.getByRole('img')).toHaveAttribute('src', before!)
  await page.getByRole('button', { name: 'Use the same on dark' }).click()
  await expect(page.getByText('on dark: the same')).toBeVisible()
  const flat = await sharp({ create: { width: 200, height: 100, channels: 3, background: '#224466' } })
    .png()
    .toBuffer()
  await page.getByLabel('Logo file').setInputFiles({ name: 'flat.png', mimeType: 'image/png', buffer: flat })
  await expect(page.getByText('200 × 100 px, ')).toBeVisible()
  await page.getByRole('button', { name: 'Make a white one for dark surfaces' }).click()
  await expect(page.getByText('has no transparent ground, so in one colour it would be a flat box')).toBeVisible()
})
