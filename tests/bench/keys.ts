import type { Page } from '@playwright/test'
import { makeJob, makeLargeJob } from './large-job'
import { line, median, percentiles } from './report'

const TYPED = 'It is the hour before the shop opens and everything is still to do'

type Presses = { readonly drawn: readonly number[]; readonly painted: readonly number[] }

/** What a key press costs from the hand to the sheets, and against typing into an element that is editable and nothing more. */
export async function benchKeys(page: Page, app: string): Promise<void> {
  const small = await pressKeys(page, app, await makeJob(app, 'Bench'))
  line(`a key press to all three sheets drawn (${small.drawn.length} keys)`, percentiles(small.drawn), '16 ms at p95')
  line('a key press to the next painted frame (software rendering)', percentiles(small.painted), '50 ms at p95')
  const bare = await pressBare(page, app)
  line('the same in a bare editable element in the same three frames', percentiles(bare.painted), 'a baseline')
  line('a key press against it, painted, medians', `${(median(small.painted) / median(bare.painted)).toFixed(2)} times`, '1.5 at most')
  const few = await pressKeys(page, app, await makeLargeJob(app, 5))
  const large = await pressKeys(page, app, await makeLargeJob(app, 200))
  line('the same to all three sheets on 200 pages of 12 sections', percentiles(large.drawn), 'as on few pages')
  line(
    'a key press there against on 5 pages of 12, medians',
    `${(median(large.drawn) / median(few.drawn)).toFixed(2)} times`,
    '1.3 at most',
  )
}

/** Types into the first heading of a job's home page, and times each key until the three sheets say it, and until that is painted. */
async function pressKeys(page: Page, app: string, job: string): Promise<Presses> {
  await page.goto(`${app}/jobs/${job}/content`)
  const cell = page.getByRole('textbox', { name: 'Hero: Heading', exact: true })
  await page.frameLocator('iframe[title^="Page, phone"]').locator('h1').first().waitFor()
  await cell.focus()
  await page.evaluate(watchKeys)
  await cell.pressSequentially(TYPED, { delay: 120 })
  return page.evaluate(() => (window as unknown as { bench: Presses }).bench)
}

function quoted(text: string): string {
  return text.replaceAll('&', '&amp;').replaceAll('"', '&quot;')
}

/** The sheets as they are, in a page without an application: one heading is editable, and each key is copied into the two others. */
async function pressBare(page: Page, app: string): Promise<Presses> {
  const frames = await page.evaluate(() =>
    [...document.querySelectorAll('iframe')]
      .slice(0, 3)
      .map((frame) => [frame.getAttribute('style') ?? '', frame.contentDocument!.documentElement.outerHTML]),
  )
  const drawn = frames.map(([look = '', html = '']) => `<iframe style="${quoted(look)}" srcdoc="${quoted(html)}"></iframe>`)
  const bare = `${app}/bare`
  const body = `<!doctype html>${drawn.join('')}`
  await page.route(bare, (route) => route.fulfill({ contentType: 'text/html; charset=utf-8', body }))
  await page.goto(bare)
  const heading = page.frameLocator('iframe').nth(0).locator('h1').first()
  await heading.waitFor()
  await heading.evaluate((element) => {
    element.setAttribute('contenteditable', 'plaintext-only')
    element.textContent = ''
    const others = [...parent.document.querySelectorAll('iframe')].slice(1).map((frame) => frame.contentDocument!.querySelector('h1')!)
    element.addEventListener('input', () => others.forEach((other) => (other.textContent = element.textContent)))
  })
  await page.evaluate(watchKeys)
  await heading.focus()
  await heading.pressSequentially(TYPED, { delay: 120 })
  const found = await page.evaluate(() => (window as unknown as { bench: Presses }).bench)
  await page.unroute(bare)
  return found
}

/** In the page: notes for each key when the three sheets say it, and when that is painted, in ms from the key. */
function watchKeys(): void {
  const sheets = [...document.querySelectorAll('iframe')].slice(0, 3).map((f) => f.contentDocument!)
  const bench: { drawn: number[]; painted: number[] } = { drawn: [], painted: [] }
  Object.assign(window, { bench })
  // Keys are pressed in the ledger, or on a sheet.
  for (const view of [window, ...sheets.map((sheet) => sheet.defaultView!)])
    view.addEventListener(
      'beforeinput',
      () => {
        const start = performance.now()
        const wait = new MutationObserver(() => {
          wait.disconnect()
          const words = sheets.map((d) => d.querySelector('h1')!.textContent)
          if (new Set(words).size === 1) bench.drawn.push(performance.now() - start)
          requestAnimationFrame(() => {
            const channel = new MessageChannel()
            channel.port1.addEventListener('message', () => bench.painted.push(performance.now() - start), { once: true })
            channel.port1.start()
            channel.port2.postMessage(0)
          })
        })
        wait.observe(sheets[2]!.querySelector('h1')!, { childList: true, characterData: true, subtree: true })
      },
      true,
    )
}
