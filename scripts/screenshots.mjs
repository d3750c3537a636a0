import path from 'node:path'
import { chromium } from '@playwright/test'
import { CHROMIUM } from '../tests/chromium'
import { root } from './prepare.mjs'

/** Takes the README's pictures from a fresh demo that is running: npm run demo -- --fresh, then npm run screenshots. */
const app = `http://127.0.0.1:${process.env.INSTANT_FIT_PORT ?? '4310'}`
const site = `http://tolliver-and-wren.localhost:${process.env.WEB_HOST_PORT ?? '4380'}`
const browser = await chromium.launch(CHROMIUM)
const shoot = (page, name) => page.screenshot({ path: path.join(root, 'docs', 'screenshots', `${name}.png`) })
const settle = (page) =>
  page.evaluate(async () => {
    const frames = [document, ...[...document.querySelectorAll('iframe')].map((f) => f.contentDocument).filter(Boolean)]
    await Promise.all(
      frames.flatMap((d) => [
        d.fonts.ready,
        ...[...d.images].filter((i) => i.loading !== 'lazy').map((i) => i.decode().catch(() => undefined)),
      ]),
    )
    await new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve)))
  })
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
const heading = (sheet) => page.frameLocator(`iframe[title^="Page, ${sheet}"]`).locator('h1')

await page.goto(app, { waitUntil: 'networkidle' })
await settle(page)
await shoot(page, 'jobs')

await page.goto(`${app}/new`)
await page.getByLabel('Client’s name').fill('Hartnell & Voss')
await page.getByLabel('Trade').fill('bookb')
await page.getByRole('option', { name: /Bookbinding/ }).click()
await page.getByLabel('Line under the name').fill('Books mended, bound and boxed')
await page.getByLabel('Telephone').fill('01632 960700')
await page.getByRole('textbox', { name: 'Brand colour' }).fill('#5b2a86')
await settle(page)
await shoot(page, 'new-job')

await page.goto(app)
await page.getByRole('link', { name: 'Saltmarsh Physiotherapy' }).click()
await heading('desktop').waitFor()
await page.getByRole('textbox', { name: 'Services: Heading' }).focus()
await settle(page)
await shoot(page, 'content')
await page.getByRole('button', { name: /^Every page/ }).click()
await settle(page)
await shoot(page, 'every-page')
await page.getByRole('button', { name: /^Who we are/ }).click()
await page.getByRole('button', { name: 'Show the tablet sheet full size' }).click()
await heading('tablet').click()
await settle(page)
await shoot(page, 'content-full-size')

await page.goto(app)
await page.getByRole('link', { name: 'Ferncombe Nursery' }).click()
await heading('desktop').waitFor()
const job = page.url().replace(/\/content.*/, '')
await page.goto(`${job}/template`)
await page.frameLocator('iframe[title="Windrow, phone"]').locator('h1').waitFor()
await settle(page)
await shoot(page, 'templates')
await page.goto(`${job}/template?show=particulars&of=limewash`)
await page.frameLocator('iframe[title="Book, tried on"]').locator('h1').waitFor()
await settle(page)
await shoot(page, 'particulars')
await page.goto(`${job}/template?show=put-on&of=gantry`)
await page.getByRole('radio', { name: 'Red lead' }).check()
await page.frameLocator('iframe[title="The page on the phone"]').locator('h1').waitFor()
await settle(page)
await shoot(page, 'start')

await page.goto(app)
await page.getByRole('link', { name: 'Saltmarsh Physiotherapy' }).click()
await heading('desktop').waitFor()
await page.goto(`${page.url().replace(/\/content.*/, '')}/template?show=put-on&of=windrow`)
await page.frameLocator('iframe[title="The page as it would be"]').locator('h1').waitFor()
await page.getByRole('heading', { name: 'What changes' }).scrollIntoViewIfNeeded()
await page.getByText('One step to undo').scrollIntoViewIfNeeded()
await settle(page)
await shoot(page, 'another-template')

await page.goto(`${page.url().replace(/\/template.*/, '')}/brand`)
await heading('phone').waitFor()
await settle(page)
await shoot(page, 'brand')
await page.getByRole('tab', { name: 'Logo' }).click()
await page.getByRole('img', { name: 'The icon on a home screen' }).waitFor()
await settle(page)
await shoot(page, 'brand-logo')
await page.getByRole('tab', { name: 'Type' }).click()
await page.getByRole('button', { name: 'Heading 2', exact: true }).click()
await settle(page)
await shoot(page, 'brand-type')
await page.goto(page.url().replace(/\/jobs\/([^/]+)\/brand/, '/brand-sheet/$1'))
await page.getByRole('heading', { name: 'Saltmarsh Physiotherapy' }).waitFor()
await settle(page)
await page.screenshot({ path: path.join(root, 'docs', 'screenshots', 'brand-sheet.png'), fullPage: true })

await page.goto(app)
await page.getByRole('link', { name: 'Tarrow Electrical' }).click()
await heading('desktop').waitFor()
await page
  .getByRole('region', { name: /^Hero/ })
  .getByRole('button', { name: /^Designs/ })
  .click()
await page.getByRole('listbox', { name: 'Designs' }).focus()
await page.keyboard.press('ArrowRight')
await page.frameLocator('iframe[title="window"]').locator('h1').waitFor()
await settle(page)
await shoot(page, 'designs')
await page.keyboard.press('Escape')

await page.goto(app)
await page.getByRole('link', { name: 'Tolliver & Wren', exact: true }).click()
await heading('desktop').waitFor()
await page.getByRole('textbox', { name: 'Hero: Caption', exact: true }).fill('A silver pocket watch, waiting for its balance staff.')
await page.getByRole('status').filter({ hasText: 'Saved' }).waitFor()
await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Publish' }).click()
await page.getByRole('button', { name: 'Publish', exact: true, disabled: false }).waitFor()
await settle(page)
await shoot(page, 'publish')
await page.getByRole('button', { name: 'Undo', exact: true }).click()
await page.getByRole('status').filter({ hasText: 'Saved' }).waitFor()

await page.goto(site, { waitUntil: 'networkidle' })
await settle(page)
await shoot(page, 'published-desktop')
const phone = await browser.newPage({ viewport: { width: 390, height: 844 } })
await phone.goto(`${site}/services/`, { waitUntil: 'networkidle' })
await settle(phone)
await shoot(phone, 'published-phone')
await browser.close()
