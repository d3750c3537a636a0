import type { Page } from '@playwright/test'
import { makeJob, makeLargeJob } from './large-job'
import { line, median, percentiles } from './report'

/** The Pages stage: how fast it opens from another stage, and what an act costs until all its sheets are drawn. */
export async function benchPages(page: Page, app: string): Promise<void> {
  const few = await onPages(page, app, 12)
  const many = await onPages(page, app, 200)
  line('the Pages stage of 200 pages, opened from Content', percentiles(many.opening), 'under 500 ms')
  line('a section moved to both sheets drawn, 12 pages of 12 sections', percentiles(few.acts), '16 ms at p95')
  line('the same on 200 pages', percentiles(many.acts), '16 ms at p95')
  line('the one against the other, medians', `${(median(many.acts) / median(few.acts)).toFixed(2)} times`, '1.3 at most')
}

async function onPages(page: Page, app: string, pages: number): Promise<{ opening: number[]; acts: number[] }> {
  const job = await makeLargeJob(app, pages)
  const sheet = page.frameLocator('iframe[title$="desktop, 1280 pixels wide"]')
  const opening: number[] = []
  for (let i = 0; i < 7; i++) {
    await page.goto(`${app}/jobs/${job}/content`)
    await page.frameLocator('iframe[title^="Page, phone"]').locator('h1').first().waitFor()
    const took = await timeOpening(page)
    await sheet.locator('main > section').first().waitFor()
    // The first asks for what the stage is made of.
    if (i > 0) opening.push(took)
  }
  const row = page.getByRole('list', { name: 'Sections' }).getByRole('group').nth(2)
  await row.focus()
  const acts: number[] = []
  for (let i = 0; i < 30; i++) acts.push(await timeMove(page, i % 2 === 0 ? 'ArrowDown' : 'ArrowUp'))
  return { opening, acts: acts.slice(2) }
}

/** From the press until the table is there and the page in hand stands on its sheet; by the window's own clock, once it is at rest. */
async function timeOpening(page: Page): Promise<number> {
  await page.evaluate(() => new Promise((resolve) => requestIdleCallback(() => requestIdleCallback(resolve))))
  await page.evaluate(() => {
    const opened = new Promise<number>((resolve) => {
      document.addEventListener(
        'click',
        async () => {
          const start = performance.now()
          for (;;) {
            const frame = [...document.querySelectorAll('iframe')].find(({ title }) => title.endsWith('desktop, 1280 pixels wide'))
            if (document.querySelector('[role="row"][aria-selected]') && frame?.contentDocument?.querySelector('main > section')) break
            await new Promise((again) => requestAnimationFrame(again))
          }
          resolve(performance.now() - start)
        },
        { capture: true, once: true },
      )
    })
    Object.assign(window, { opened })
  })
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Pages' }).click()
  return page.evaluate(() => (window as unknown as { opened: Promise<number> }).opened)
}

/** From the key until both sheets show the new order. */
async function timeMove(page: Page, key: 'ArrowDown' | 'ArrowUp'): Promise<number> {
  await page.evaluate(() => {
    const sheets = [...document.querySelectorAll('iframe')].map((frame) => frame.contentDocument!)
    const moved = new Promise<number>((resolve) => {
      const heard = new AbortController()
      window.addEventListener(
        'keydown',
        (event) => {
          if (event.key === 'Alt') return
          heard.abort()
          const start = performance.now()
          let left = sheets.length
          for (const sheet of sheets) {
            const wait = new MutationObserver(() => {
              wait.disconnect()
              if (--left === 0) resolve(performance.now() - start)
            })
            wait.observe(sheet.body, { childList: true, subtree: true })
          }
        },
        { capture: true, signal: heard.signal },
      )
    })
    Object.assign(window, { moved })
  })
  await page.keyboard.press(`Alt+${key}`)
  return page.evaluate(() => (window as unknown as { moved: Promise<number> }).moved)
}

/** Every design there is as try-ons where a section is added: from the press until all that is in sight is drawn. */
export async function benchLibrary(page: Page, app: string): Promise<void> {
  const times: number[] = []
  let designs = 0
  const job = await makeJob(app, 'Library')
  for (let i = 0; i < 6; i++) {
    await page.goto(`${app}/jobs/${job}/pages`)
    await page.frameLocator('iframe[title$="desktop, 1280 pixels wide"]').locator('main > section').first().waitFor()
    await page.getByRole('group', { name: 'Sections chosen' }).getByRole('button', { name: 'Add a section' }).click()
    await page.locator('iframe[data-drawn]').first().waitFor()
    await page.evaluate(() => new Promise((resolve) => requestIdleCallback(() => requestIdleCallback(resolve))))
    await page.evaluate(() => {
      const drawn = new Promise<readonly [number, number]>((resolve) => {
        document.addEventListener(
          'click',
          async () => {
            const start = performance.now()
            for (;;) {
              await new Promise((again) => requestAnimationFrame(again))
              const boxes = [...document.querySelectorAll('li button span.flex.gap-1 > div')]
              const near = boxes.filter((box) => box.getBoundingClientRect().top < innerHeight)
              if (boxes.length > 40 && near.every((box) => box.querySelector('iframe[data-drawn]'))) {
                return resolve([performance.now() - start, boxes.length / 2])
              }
            }
          },
          { capture: true, once: true },
        )
      })
      Object.assign(window, { drawn })
    })
    await page
      .getByRole('group', { name: 'Kinds' })
      .getByRole('button', { name: /^Every design/ })
      .click()
    const [took, count] = await page.evaluate(() => (window as unknown as { drawn: Promise<readonly [number, number]> }).drawn)
    designs = count
    // The first asks for what the view is made of.
    if (i > 0) times.push(took)
  }
  line(`the library of ${designs} designs as try-ons, first screen drawn`, percentiles(times), '300 ms for 100')
}
