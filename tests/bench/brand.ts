import type { Page } from '@playwright/test'
import sharp from 'sharp'
import { makeScheme } from '../../src/core/colour'
import { findPalette } from '../../src/core/image'
import { getTemplate } from '../../src/core/pack'
import { testPack } from '../pack'
import { random, randomHex } from '../random'
import { line, percentiles, time } from './report'
import { askApp } from '../door'

export function benchSchemes(): void {
  const next = random(1)
  const spec = getTemplate(testPack(), 'tallow').schemes[0]!
  const brands = Array.from({ length: 10_000 }, () => randomHex(next))
  brands.slice(0, 2000).forEach((b) => makeScheme(spec, { colour: b }))
  const spent = time(() => brands.forEach((b) => makeScheme(spec, { colour: b })))
  line('palettes from a brand colour, twelve roles on five tones', `${Math.round(10_000_000 / spent)} a second`, '10,000 a second')
}

async function photo(): Promise<Buffer> {
  const noise = await sharp({
    create: { width: 1000, height: 750, channels: 3, background: '#7a6a50', noise: { type: 'gaussian', mean: 128, sigma: 40 } },
  })
    .png()
    .toBuffer()
  return sharp('demo/pictures/watchmakers-mat.jpg')
    .resize(4000, 3000, { fit: 'cover' })
    .composite([{ input: await sharp(noise).resize(4000, 3000).toBuffer(), blend: 'soft-light' }])
    .jpeg({ quality: 88 })
    .toBuffer()
}

export async function benchPaletteInCore(): Promise<void> {
  const { data, info } = await sharp(await photo())
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  findPalette(data)
  line(
    `the colours that matter of ${(info.width * info.height) / 1e6} million raw pixels, in core`,
    percentiles(Array.from({ length: 12 }, () => time(() => void findPalette(data)))),
    'no figure',
  )
}

type Bench = {
  readonly drawn: number[]
  readonly painted: number[]
  readonly palettes: { readonly inWorker: number; readonly inAll: number }[]
  late: number
}

/** A brand colour typed on the Brand stage to all three sheets, and the colours of a 12-megapixel photo found in the worker. */
export async function benchBrand(page: Page, app: string): Promise<void> {
  const response = await askApp(`${app}/api/jobs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ template: 'tallow', facts: { name: 'Bench Brand' }, brand: {} }),
  })
  const { job } = (await response.json()) as { job: string }
  await page.addInitScript(() => {
    const bench: Bench = { drawn: [], painted: [], palettes: [], late: 0 }
    Object.assign(window, { bench })
    const post = Worker.prototype.postMessage as (...args: unknown[]) => void
    Worker.prototype.postMessage = function (this: Worker, ...args: unknown[]): void {
      const start = performance.now()
      this.addEventListener(
        'message',
        (event: MessageEvent<{ spentMs?: number }>) =>
          bench.palettes.push({ inWorker: event.data.spentMs ?? 0, inAll: performance.now() - start }),
        { once: true },
      )
      post.apply(this, args)
    }
  })
  await page.goto(`${app}/jobs/${job}/brand`)
  await page.frameLocator('iframe[title^="Page, phone"]').locator('h1').waitFor()
  await page.evaluate(() => {
    const { bench } = window as unknown as { bench: Bench }
    const tokens = [...document.querySelectorAll('iframe')].slice(0, 3).map((f) => f.contentDocument!.getElementById('tokens')!)
    window.addEventListener(
      'beforeinput',
      () => {
        const start = performance.now()
        const wait = new MutationObserver(() => {
          if (new Set(tokens.map((t) => t.textContent)).size !== 1) return
          wait.disconnect()
          bench.drawn.push(performance.now() - start)
          requestAnimationFrame(() => {
            const channel = new MessageChannel()
            channel.port1.addEventListener('message', () => bench.painted.push(performance.now() - start), { once: true })
            channel.port1.start()
            channel.port2.postMessage(0)
          })
        })
        tokens.forEach((t) => wait.observe(t, { childList: true, characterData: true, subtree: true }))
      },
      true,
    )
  })
  const field = page.getByRole('textbox', { name: 'Brand colour', exact: true })
  const next = random(3)
  for (let i = 0; i < 40; i++) {
    const before = await page.evaluate(() => (window as unknown as { bench: Bench }).bench.painted.length)
    await field.fill(randomHex(next))
    await page.waitForFunction((n) => (window as unknown as { bench: Bench }).bench.painted.length > n, before)
  }
  const file = await photo()
  for (let i = 1; i <= 8; i++) {
    await page.getByLabel('Photo to take colours from').setInputFiles({ name: `photo-${i}.jpg`, mimeType: 'image/jpeg', buffer: file })
    await page.waitForFunction((n) => (window as unknown as { bench: Bench }).bench.palettes.length >= n, i)
  }
  const found = await page.evaluate(() => (window as unknown as { bench: Bench }).bench)
  line(`a new brand colour to all three sheets drawn (${found.drawn.length} colours)`, percentiles(found.drawn), 'one frame, 16 ms')
  line('a new brand colour to the next painted frame (software rendering)', percentiles(found.painted), '50 ms in all')
  line(
    'the colours of a 12-megapixel JPEG, in the worker: decoding and counting',
    percentiles(found.palettes.map((p) => p.inWorker)),
    'under 300 ms',
  )
}
