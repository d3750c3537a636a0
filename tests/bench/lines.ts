import type { Page } from '@playwright/test'
import { setText } from '../site'
import { askApp } from '../door'
import { makeLargeJob } from './large-job'
import { line, percentiles } from './report'

const PAGES = 30
const LONG =
  'Clocks, barometers and musical boxes put right, at the bench in Harrow Lane since 1946, whatever it was that stopped them. '.repeat(3)

/** Lines of every page's texts read in the background, and a text held to its lines, from the press to the sheets. */
export async function benchLines(page: Page, app: string): Promise<void> {
  const job = await makeLargeJob(app, PAGES)
  const row = { id: 'bench-long', gesture: 'long', undoes: null, edit: setText(`p${PAGES - 1}.s0`, 'heading', LONG) }
  const answer = await askApp(`${app}/api/jobs/${job}`)
  const { revision } = (await answer.json()) as { revision: number }
  await askApp(`${app}/api/jobs/${job}/edits`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ base: revision, who: null, rows: [row] }),
  })
  const all: number[] = []
  const tasks: number[] = []
  for (let i = 0; i < 4; i++) {
    await page.goto(`${app}/jobs/${job}/content`)
    await page.frameLocator('iframe[title^="Page, phone"]').locator('h1').first().waitFor()
    const read = await page.evaluate(untilRead)
    // The first asks for what the stage is made of.
    if (i > 0) {
      all.push(read.took)
      tasks.push(read.longest)
    }
  }
  line(
    `lines of all places of ${PAGES} pages of 12 sections at three widths, from the sheets’ first words on`,
    percentiles(all),
    'within 3 s',
  )
  line('the longest task on the main thread while they are read', percentiles(tasks), '50 ms at most')
  await page.getByRole('textbox', { name: 'Hero: Heading', exact: true }).fill(LONG.slice(0, 60))
  const held: number[] = []
  for (let i = 0; i < 8; i++) {
    await page.getByRole('button', { name: /^Lines of Hero: Heading,/ }).click()
    await page.getByRole('list', { name: 'Lines by width of the window' }).waitFor()
    held.push(await page.evaluate(pressHold, i % 2 === 0 ? 'Two lines' : 'Three lines'))
    await page.keyboard.press('Escape')
  }
  line('a heading held to its lines: from the press to all sheets', percentiles(held), 'within 100 ms')
}

/** In the page: how long until the last page’s long heading is counted, and the longest task meanwhile, in ms. */
async function untilRead(): Promise<{ took: number; longest: number }> {
  const start = performance.now()
  let longest = 0
  const watch = new PerformanceObserver((list) => list.getEntries().forEach(({ duration }) => (longest = Math.max(longest, duration))))
  let isRead = false
  for (;;) {
    // What the screen itself does as it opens is not the reading's.
    const frame = document.querySelector<HTMLIFrameElement>('iframe[title="Pages, measured"]')
    if (!isRead && frame?.contentDocument?.querySelector('[data-section]')) {
      watch.observe({ type: 'longtask' })
      isRead = true
    }
    const tabs = [...document.querySelectorAll('nav[aria-label="Pages"] > div:first-child > button')]
    if (tabs.at(-1)?.textContent?.includes('▲')) break
    await new Promise((again) => requestAnimationFrame(again))
  }
  watch.takeRecords().forEach(({ duration }) => (longest = Math.max(longest, duration)))
  watch.disconnect()
  return { took: performance.now() - start, longest }
}

/** In the page: presses a choice, and says after how long all three sheets hold the heading to it, in ms. */
async function pressHold(choice: string): Promise<number> {
  const headings = [...document.querySelectorAll<HTMLIFrameElement>('iframe[title^="Page, "]')].flatMap(
    (frame) => frame.contentDocument?.querySelector('h1') ?? [],
  )
  const before = headings.map((heading) => heading.getAttribute('style'))
  const start = performance.now()
  ;[...document.querySelectorAll<HTMLButtonElement>('[role=radio]')].find((one) => one.textContent === choice)?.click()
  while (headings.some((heading, i) => heading.getAttribute('style') === before[i])) {
    const channel = new MessageChannel()
    await new Promise((again) => {
      channel.port1.addEventListener('message', again, { once: true })
      channel.port1.start()
      channel.port2.postMessage(0)
    })
  }
  return performance.now() - start
}
