import { expect, test, type Page } from './test'
import { axeFaults } from './axe'
import { APP, makeJob, openContent, saved, sheet, visit } from './screen'

/** Our own screens only: the client's page on a sheet is the template's to answer for, and is checked as published. */
const violations = axeFaults

test('axe finds nothing on the list of jobs, the new job, the brief, the content and the publishing screen', async ({ page }) => {
  await visit(page, '/')
  await expect(page.getByRole('table')).toBeVisible()
  expect(await violations(page)).toEqual([])
  await visit(page, '/new')
  await page.getByRole('button', { name: 'Make the job' }).click()
  expect(await violations(page)).toEqual([])
  const job = await makeJob({ name: 'Access' })
  await openContent(page, job)
  expect(await violations(page)).toEqual([])
  await page.getByRole('button', { name: /^Every page/ }).click()
  expect(await violations(page)).toEqual([])
  await visit(page, `/jobs/${job}/brief`)
  await expect(page.getByRole('heading', { name: 'Brief' })).toBeVisible()
  expect(await violations(page)).toEqual([])
  await visit(page, `/jobs/${job}/publish`)
  await expect(page.getByText('✓ Free.')).toBeVisible()
  expect(await violations(page)).toEqual([])
  await visit(page, `/jobs/${job}/publish?to=new`)
  await page.getByLabel('Server', { exact: true }).fill('127.0.0.1')
  await page.getByLabel('Visitors find it at').fill('https://www.example.com')
  await page.getByLabel('User name').fill('client')
  await page.getByRole('textbox', { name: 'Password' }).fill('any')
  await page.getByLabel('Port').fill('1')
  await page.getByRole('button', { name: 'Test the connection' }).click()
  await expect(page.getByRole('listitem').filter({ hasText: 'remove' })).toBeVisible()
  expect(await violations(page)).toEqual([])
})

test('axe finds nothing in the template room, in any of its views, nor on the strip of designs', async ({ page }) => {
  const job = await makeJob({ name: 'Access Room', facts: { trade: 'upholstery' } })
  for (const [show, seen] of [
    ['', 'Tallow'],
    ['?show=particulars&of=limewash', 'Limewash'],
    ['?show=beside&of=limewash,gantry', 'Limewash beside Gantry'],
    ['?show=walk&of=windrow', 'Through Windrow'],
    ['?show=put-on&of=gantry', 'Start on Gantry'],
  ] as const) {
    await visit(page, `/jobs/${job}/template${show}`)
    await expect(page.getByRole('heading', { name: seen, exact: true }).first()).toBeVisible()
    expect(await violations(page), show).toEqual([])
  }
  await visit(page, `/jobs/${job}/brand`)
  await expect(page.getByRole('table', { name: /Contrast on each tone/ })).toBeVisible()
  for (const part of ['Colour', 'Logo', 'Type', 'Shape', 'Tokens']) {
    await page.getByRole('tab', { name: part }).click()
    expect(await violations(page), `brand, ${part}`).toEqual([])
  }
  await visit(page, `/brand-sheet/${job}`)
  await expect(page.getByRole('heading', { name: 'Access Room' })).toBeVisible()
  expect(await violations(page), 'brand sheet').toEqual([])
  await openContent(page, job)
  await page
    .getByRole('region', { name: /^Hero/ })
    .getByRole('button', { name: /^Designs/ })
    .click()
  await expect(page.getByRole('listbox', { name: 'Designs' })).toBeFocused()
  expect(await violations(page)).toEqual([])
})

test('a job is fitted from the keyboard alone', async ({ page }) => {
  const job = await makeJob({ name: 'Keyboard' })
  await openContent(page, job)
  await page.keyboard.press('F8')
  await page.keyboard.type('Fitted without a mouse')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: 'Hero: Picture: choose picture' })).toBeFocused()
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('textbox', { name: 'Hero: Heading', exact: true })).toHaveValue('')
})

/**
 * What can be pressed and is smaller than 24 px either way (WCAG 2.2, 2.5.8; design.md holds it without the exception for spacing): a box
 * to tick counts with its label, and links in the run of a sentence are excepted by the criterion itself.
 */
function smallTargets(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const controls = 'button,a[href],input,select,textarea,summary,[role=option],[role=menuitem],[role=radio],[role=tab]'
    return [...document.querySelectorAll<HTMLElement>(controls)].flatMap((element) => {
      const isTick = element instanceof HTMLInputElement && /^(checkbox|radio|file)$/.test(element.type)
      const target = isTick ? (element.closest('label') ?? element) : element
      if (!target.checkVisibility({ opacityProperty: true, visibilityProperty: true }) || target.closest('.sr-only')) return []
      if (target.matches('p a, li a') && getComputedStyle(target).display === 'inline') return []
      const { width, height } = target.getBoundingClientRect()
      const label = element.getAttribute('aria-label') ?? element.textContent?.slice(0, 40) ?? element.tagName
      return width > 23.9 && height > 23.9 ? [] : [`${label}: ${width.toFixed(1)} × ${height.toFixed(1)}`]
    })
  })
}

/** Signs that are pressed and have no word to be shown on hover and focus. */
function wordless(page: Page): Promise<string[]> {
  return page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('button, a[href]')]
      .filter((element) => element.checkVisibility() && element.querySelector('svg') && !element.textContent?.trim() && !element.title)
      .map((element) => element.getAttribute('aria-label') ?? element.outerHTML.slice(0, 120)),
  )
}

/** Parts of our screens that scroll sideways, or up and down by a hair: a bar there tells of nothing that is out of sight. */
function strayBars(page: Page): Promise<string[]> {
  return page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('body *')].flatMap((element) => {
      const { overflowX, overflowY, scrollbarWidth } = getComputedStyle(element)
      if (scrollbarWidth === 'none' || element.closest('.sr-only')) return []
      const [across, down] = [element.scrollWidth - element.clientWidth, element.scrollHeight - element.clientHeight]
      const isStray = (/auto|scroll/.test(overflowX) && across > 0) || (/auto|scroll/.test(overflowY) && down > 0 && down < 12)
      return isStray ? [`${element.tagName}.${element.className.slice(0, 60)}: ${across} across, ${down} down`] : []
    }),
  )
}

test('everything that is pressed is at least 24 px each way, a sign has a word, and no bar scrolls what is in sight', async ({ page }) => {
  const job = await makeJob({ name: 'Targets', facts: { trade: 'upholstery' } })
  const at = `${APP}/jobs/${job}`
  const look = async (screen: string): Promise<void> => {
    expect.soft(await smallTargets(page), screen).toEqual([])
    expect.soft(await strayBars(page), screen).toEqual([])
    expect.soft(await wordless(page), screen).toEqual([])
  }
  await visit(page, '/')
  await expect(page.getByRole('table')).toBeVisible()
  await look('jobs')
  await page.keyboard.press('Tab')
  await page
    .getByRole('button', { name: /^More for/ })
    .first()
    .focus()
  await expect(page.locator('.focus-words')).toHaveText('More')
  await page.keyboard.press('Escape')
  await expect(page.locator('.focus-words')).toHaveCount(0)
  await visit(page, '/account')
  await expect(page.getByRole('heading', { name: 'People' })).toBeVisible()
  await look('account')
  await page.goto(`${at}/history`)
  await expect(page.getByRole('heading', { name: 'History', exact: true })).toBeVisible()
  await look('history')
  for (const [path, seen] of [
    ['/template', 'Tallow'],
    ['/template?show=particulars&of=limewash', 'Limewash'],
    ['/template?show=put-on&of=gantry', 'Start on Gantry'],
    ['/template?show=walk&of=windrow', 'Through Windrow'],
    ['/brief', 'Brief'],
    ['/publish', 'Publish'],
    ['/publish?to=new', 'A new destination'],
  ] as const) {
    await page.goto(at + path)
    await expect(page.getByRole('heading', { name: seen, exact: true }).first()).toBeVisible()
    await look(path)
  }
  await page.goto(`${at}/brand`)
  await expect(page.getByRole('table', { name: /Contrast on each tone/ })).toBeVisible()
  for (const part of ['Colour', 'Logo', 'Type', 'Shape', 'Tokens']) {
    await page.getByRole('tab', { name: part }).click()
    await look(`brand, ${part}`)
  }
  await openContent(page, job)
  await look('content')
  // Scrolled to by the focus, the word goes along.
  await page.keyboard.press('Tab')
  await page.getByRole('button', { name: 'Remove entry 1' }).first().focus()
  await expect(page.locator('.focus-words')).toHaveText('Remove entry 1')
  await page.getByRole('button', { name: /^Every page/ }).click()
  await look('content, every page')
})

test('the first place is two keys from the top of the Content stage, and each sheet is one stop on the way', async ({ page }) => {
  // Loaded, so that the first key is pressed where a page begins.
  await page.goto(`${APP}/jobs/${await makeJob({ name: 'Stops' })}/content`)
  await expect(sheet(page, 'desktop').getByRole('heading', { level: 1 })).toBeVisible()
  await page.keyboard.press('Tab')
  await expect(page.getByRole('button', { name: 'Skip to the work' })).toBeFocused()
  const stops: string[] = []
  for (let n = 0; n < 60; n++) {
    await page.keyboard.press('Tab')
    const where = await page.evaluate(() => {
      const { activeElement: now } = document
      return now?.closest('[data-ledger]') ? 'ledger' : now?.closest('figure') ? 'sheet' : (now?.tagName ?? '')
    })
    if (where === 'ledger') break
    stops.push(where)
  }
  expect(stops.filter((where) => where === 'sheet' || where === 'IFRAME')).toEqual(['sheet', 'sheet', 'sheet'])
  await page.reload()
  await expect(page.getByRole('region', { name: /^Hero/ })).toBeVisible()
  await page.keyboard.press('Tab')
  await page.keyboard.press('Enter')
  await expect(page.locator('[data-ledger] [data-row]').first().locator('[data-client] :focus')).toHaveCount(1)
})

test('a view that opens takes the focus, one that closes gives it back: the template room, by keys alone', async ({ page }) => {
  const job = await makeJob({ name: 'Room Focus' })
  await visit(page, `/jobs/${job}/template`)
  const rows = page.getByRole('article')
  await expect(rows.first()).toBeFocused()
  await page.keyboard.press('ArrowDown')
  await expect(rows.nth(1)).toBeFocused()
  const second = (await rows.nth(1).getAttribute('data-template')) ?? ''
  for (const [key, view] of [
    ['Enter', 'particulars'],
    ['w', 'walk'],
    ['p', 'put-on'],
  ] as const) {
    await page.keyboard.press(key)
    await expect(page).toHaveURL(new RegExp(`show=${view}&of=${second}`))
    await expect(page.getByRole('main').getByRole('heading', { level: 1 })).toBeFocused()
    await page.keyboard.press('Escape')
    await expect(rows.nth(1)).toBeFocused()
  }
})

test('in the template room the skip link leads to the first template', async ({ page }) => {
  const job = await makeJob({ name: 'Room Skip' })
  await visit(page, `/jobs/${job}/template`)
  await expect(page.getByRole('article').first()).toBeFocused()
  await page.getByRole('button', { name: 'Skip to the work' }).focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('article').first()).toBeFocused()
})

test('the strip of designs gives the focus back to what opened it: a button, or the place in hand', async ({ page }) => {
  const job = await makeJob({ name: 'Strip Focus' })
  await openContent(page, job)
  const strip = page.getByRole('listbox', { name: 'Designs' })
  const opener = page.getByRole('region', { name: /^Services/ }).getByRole('button', { name: /^Designs/ })
  await opener.click()
  await expect(strip).toBeFocused()
  await page.keyboard.press('Escape')
  await expect(opener).toBeFocused()
  const place = page.getByRole('textbox', { name: 'Services: Heading', exact: true })
  await place.focus()
  await page.keyboard.press('Alt+d')
  await expect(strip).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(place).toBeFocused()
})

test('publishing leaves the focus on something that can be used next', async ({ page }) => {
  const job = await makeJob({ name: 'Publish Focus' })
  await visit(page, `/jobs/${job}/publish`)
  await saved(page)
  await page.getByRole('button', { name: 'Use this address' }).click()
  await expect(page.getByRole('heading', { name: 'What will change' })).toBeFocused()
  const publish = page.getByRole('button', { name: /^Publish with/ })
  await expect(publish).toBeEnabled()
  await publish.press('Enter')
  await expect(page.getByRole('main').getByRole('link', { name: /^http:\/\/publish-focus\.localhost/ })).toBeFocused()
})
