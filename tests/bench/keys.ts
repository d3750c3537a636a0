import type { Page } from '@playwright/test'
import { makeJob, makeLargeJob } from './large-job'
import { line, median, percentiles } from './report'

const TYPED = 'It is the hour before the shop opens and everything is still to do'

type Presses = { readonly drawn: readonly number[]; readonly painted: readonly number[] }

/** What a key press costs from the hand to the sheets, and against typing into an element that is editable and nothing more. */
export async function benchKeys(page: Page, app: string): Promise<void> {
  const small = await pressKeys(page, app, await makeJob(app, 'Bench'))
  line(`a key press in the ledger to all three sheets drawn (${small.drawn.length} keys)`, percentiles(small.drawn), '16 ms at p95')
  line('a key press in the ledger to the next painted frame (software rendering)', percentiles(small.painted), '50 ms at p95')
  const onSheet = await pressKeys(page, app, await makeJob(app, 'Bench on a sheet'), 'sheet')
  line('a key pressed on a sheet, to all three sheets drawn', percentiles(onSheet.drawn), '16 ms at p95')
  line('a key pressed on a sheet, to the next painted frame', percentiles(onSheet.painted), '50 ms at p95')
  const bare = await pressBare(page)
  line('the same in a bare editable element in the same three frames, drawn', percentiles(bare.drawn), 'a baseline')
  line('the same in a bare editable element in the same three frames, painted', percentiles(bare.painted), 'a baseline')
  line(
    'a key on a sheet against it, painted, medians',
    `${(median(onSheet.painted) / median(bare.painted)).toFixed(2)} times`,
    '1.5 at most',
  )
  const few = await pressKeys(page, app, await makeLargeJob(app, 5))
  const large = await pressKeys(page, app, await makeLargeJob(app, 200))
  line('the same to all three sheets on 200 pages of 12 sections', percentiles(large.drawn), 'as on few pages')
  line(
    'a key press there against on 5 pages of 12, medians',
    `${(median(large.drawn) / median(few.drawn)).toFixed(2)} times`,
    '1.3 at most',
  )
}

/** Types into the first heading of a home page, in the ledger or on a sheet; times each key until the sheets say it, and until it shows. */
async function pressKeys(page: Page, app: string, job: string, on: 'ledger' | 'sheet' = 'ledger'): Promise<Presses> {
  await page.goto(`${app}/jobs/${job}/content`)
  await page.frameLocator('iframe[title^="Page, phone"]').locator('h1').first().waitFor()
  const heading = page.frameLocator('iframe[title^="Page, desktop"]').locator('h1').first()
  const cell = on === 'sheet' ? heading : page.getByRole('textbox', { name: 'Hero: Heading', exact: true })
  await cell.click()
  await page.keyboard.press('ControlOrMeta+a')
  await page.evaluate(watchKeys)
  await cell.pressSequentially(TYPED, { delay: 120 })
  return page.evaluate(() => (window as unknown as { bench: Presses }).bench)
}

/** The sheets as they stand, with all beside them: a heading is editable, each key is copied into the two others, and no more is done. */
async function pressBare(page: Page): Promise<Presses> {
  const heading = page.frameLocator('iframe[title^="Page, desktop"]').locator('h1').first()
  await heading.evaluate((element) => {
    element.setAttribute('contenteditable', 'plaintext-only')
    element.textContent = ''
    const frames = [...parent.document.querySelectorAll<HTMLIFrameElement>('iframe[title^="Page, "]')]
    const others = frames.slice(1).map((frame) => frame.contentDocument!.querySelector('h1')!)
    // The application hears of nothing.
    for (const type of ['keydown', 'keyup', 'focusin', 'focusout', 'selectionchange'])
      window.addEventListener(type, (event) => event.stopImmediatePropagation(), true)
    window.addEventListener(
      'input',
      (event) => {
        event.stopImmediatePropagation()
        others.forEach((other) => (other.textContent = element.textContent))
      },
      true,
    )
  })
  await page.evaluate(watchKeys)
  await heading.focus()
  await heading.pressSequentially(TYPED, { delay: 120 })
  return page.evaluate(() => (window as unknown as { bench: Presses }).bench)
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
