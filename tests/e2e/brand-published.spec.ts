import { readFileSync } from 'node:fs'
import { expect, test, type Page, type Response } from './test'
import sharp from 'sharp'
import subsetFont from 'subset-font'
import { apply, publish } from '../../scripts/seed'
import { contrastRatio } from '../../src/core/colour'
import type { AssetInfo } from '../../src/core/image'
import type { OwnFont, SectionId } from '../../src/core/site'
import { FAMILIES } from '../../src/core/type'
import { fontFilePath } from '../../src/server/media/fonts'
import { axeFaults } from './axe'
import { APP, askHost, makeJob, siteUrl } from './screen'
import { askApp, doorOf } from '../door'

async function send<T>(url: string, body: Buffer | string): Promise<T> {
  const response = await askApp(url, { method: 'POST', body: typeof body === 'string' ? body : new Uint8Array(body) })
  if (!response.ok) throw new Error(`${url}: ${await response.text()}`)
  return (await response.json()) as T
}

test('a site that leaves light or dark to its visitors reads well in both, and wears the logo made for each', async ({ browser }) => {
  const job = await makeJob({ name: 'Dusk and Dawn', facts: { phone: '01632 960111' }, colour: '#8a2d5c' })
  const svg = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 200 50"><path fill="#301020" d="M0 0h40v50H0zM60 10h140v30H60z"/></svg>'
  const { asset: logo } = await send<{ asset: AssetInfo }>(`${APP}/api/jobs/${job}/assets?as=logo&name=logo.svg`, svg)
  const { asset: onDark } = await send<{ asset: AssetInfo }>(
    `${APP}/api/assets/one-colour`,
    JSON.stringify({ asset: logo.id, colour: '#ffffff', job }),
  )
  await apply(doorOf(APP), job, [
    { type: 'dress/set', part: 'dark', value: 'visitor' },
    { type: 'brand/set', part: 'logo', value: logo.id },
    { type: 'brand/set', part: 'logo-on-dark', value: onDark.id },
  ])
  await publish(doorOf(APP), job, 'dusk-and-dawn')
  const seen: Record<string, string> = {}
  for (const colorScheme of ['light', 'dark'] as const) {
    const page = await (await browser.newContext({ colorScheme })).newPage()
    await page.goto(siteUrl('dusk-and-dawn'))
    seen[colorScheme] = await page.locator('body').evaluate((e) => getComputedStyle(e).backgroundColor)
    seen[`${colorScheme} logo`] = await page.locator('header img.logo').evaluate((e: HTMLImageElement) => e.currentSrc)
    expect(await axeFaults(page), colorScheme).toEqual([])
    await page.context().close()
  }
  const light = (rgb: string): number => Number(/\d+/.exec(rgb)?.[0])
  expect(light(seen.light!)).toBeGreaterThan(220)
  expect(light(seen.dark!)).toBeLessThan(60)
  expect(seen['light logo']).not.toBe(seen['dark logo'])
  const home = await askHost(siteUrl('dusk-and-dawn'), '/')
  const frames = [...home.text.matchAll(/theme-color" content="#\w{6}" media="\(prefers-color-scheme: (light|dark)\)"/g)]
  expect(frames.map(([, form]) => form)).toEqual(['light', 'dark'])
  for (const [file, type] of [
    ['/favicon.svg', 'image/svg+xml'],
    ['/favicon.ico', 'image/'],
    ['/apple-touch-icon.png', 'image/png'],
    ['/icon-192.png', 'image/png'],
    ['/icon-512.png', 'image/png'],
    ['/icon-maskable-512.png', 'image/png'],
    ['/site.webmanifest', 'manifest'],
  ] as const) {
    const answer = await askHost(siteUrl('dusk-and-dawn'), file)
    expect(answer.status, file).toBe(200)
    expect(String(answer.headers['content-type']), file).toContain(type)
  }
})

test('a client’s font that may not be cut is published whole, one that may with the letters used alone, and both are loaded', async ({
  page,
}) => {
  const job = await makeJob({ name: 'Own Letters' })
  const letters = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789 .,;:!?’&-–£'
  const file = async (key: string, fsType: number): Promise<Buffer> => {
    const font = Buffer.from(await subsetFont(readFileSync(fontFilePath(FAMILIES[key]!.files[0]!)), letters, { targetFormat: 'sfnt' }))
    for (let i = 0; i < font.readUInt16BE(4); i++)
      if (font.toString('latin1', 12 + 16 * i, 16 + 16 * i) === 'OS/2') font.writeUInt16BE(fsType, font.readUInt32BE(20 + 16 * i) + 8)
    return font
  }
  const [whole, free] = [await file('oswald', 0x100), await file('bitter', 0)]
  const fonts = await Promise.all(
    [whole, free].map(async (bytes) => (await send<{ font: OwnFont }>(`${APP}/api/jobs/${job}/fonts?name=own.ttf`, bytes)).font),
  )
  await apply(doorOf(APP), job, [
    { type: 'brand/set', part: 'fonts', value: fonts },
    { type: 'brand/set', part: 'display', value: fonts[0]!.family },
    { type: 'brand/set', part: 'text', value: fonts[1]!.family },
  ])
  await publish(doorOf(APP), job, 'own-letters')
  const asked: Response[] = []
  page.on('response', (response) => {
    if (response.url().includes('/fonts/')) asked.push(response)
  })
  await page.goto(siteUrl('own-letters'))
  await page.evaluate(() => document.fonts.ready)
  expect(
    await page.evaluate(() =>
      [...new Set([...document.fonts].filter((f) => f.status === 'loaded').map((f) => f.family.replaceAll('"', '')))].sort(),
    ),
  ).toEqual(['Bitter own', 'Oswald own'])
  const uncut = asked.find((response) => response.url().endsWith('.ttf'))!
  expect((await uncut.body()).equals(whole)).toBe(true)
  expect(asked.some((response) => response.url().endsWith('.woff2'))).toBe(true)
})

/** Every pixel under the words of an element, the words themselves unseen. */
async function groundOf(page: Page, selector: string): Promise<Buffer> {
  const hidden =
    `${selector},${selector} *{color:transparent!important;text-decoration-color:transparent!important}${selector} ` +
    '.button{visibility:hidden}'
  await page.evaluate((css) => {
    const sheet = new CSSStyleSheet()
    sheet.replaceSync(css)
    document.adoptedStyleSheets = [sheet]
  }, hidden)
  const shot = await page.locator(selector).screenshot()
  await page.evaluate(() => (document.adoptedStyleSheets = []))
  // Its outermost pixels are shared with what lies beside it, where it ends between two.
  const { width, height } = await sharp(shot).metadata()
  return sharp(shot)
    .extract({ left: 2, top: 2, width: width - 4, height: height - 4 })
    .removeAlpha()
    .raw()
    .toBuffer()
}

test('over a picture half white and half black the words can be read at every width, and over a dark one the veil is thinner', async ({
  page,
}) => {
  // No colour on its way while the words are hidden.
  await page.emulateMedia({ reducedMotion: 'reduce' })
  const job = await makeJob({ name: 'Half and half' })
  const hero = 'home.hero' as SectionId
  const picture = async (rects: string): Promise<string> => {
    const bytes = await sharp(Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" width="1800" height="1200">${rects}</svg>`))
      .jpeg({ quality: 95 })
      .toBuffer()
    return (await send<{ asset: AssetInfo }>(`${APP}/api/jobs/${job}/assets?name=half.jpg`, bytes)).asset.id
  }
  const wear = async (asset: string): Promise<void> => {
    await apply(doorOf(APP), job, [
      { type: 'section/set', section: hero, part: 'design', value: 'gate' },
      { type: 'section/set', section: hero, part: 'tone', value: 'picture' },
      { type: 'slot/set', section: hero, entry: null, slot: 'picture', value: { type: 'image', asset, alt: '' } },
    ])
    await publish(doorOf(APP), job, 'half-and-half')
  }
  const veilAt = async (width: number): Promise<number> => {
    await page.setViewportSize({ width, height: 900 })
    await page.goto(siteUrl('half-and-half'))
    await page.locator('.hero-gate img').evaluate((img: HTMLImageElement) => img.decode())
    const alpha = /, ([\d.]+)\)$/.exec(await page.locator('.hero-gate .words').evaluate((e) => getComputedStyle(e).backgroundColor))?.[1]
    const text = await page.locator('.hero-gate h1').evaluate((e) => getComputedStyle(e).color)
    const [r, g, b] = (/(\d+), (\d+), (\d+)/.exec(text) ?? []).slice(1).map(Number)
    const hex = (...rgb: (number | undefined)[]): string => `#${rgb.map((v) => (v ?? 0).toString(16).padStart(2, '0')).join('')}`
    const ground = await groundOf(page, '.hero-gate .words')
    let least = 21
    for (let i = 0; i + 2 < ground.length; i += 3 * 37)
      least = Math.min(least, contrastRatio(hex(r, g, b), hex(ground[i], ground[i + 1], ground[i + 2])))
    expect(least, `at ${width}`).toBeGreaterThanOrEqual(4.5)
    return Number(alpha ?? 1)
  }
  await wear(await picture('<rect width="900" height="1200" fill="#ffffff"/><rect x="900" width="900" height="1200" fill="#000000"/>'))
  const half = [await veilAt(390), await veilAt(820), await veilAt(1280)]
  await wear(await picture('<rect width="1800" height="1200" fill="#101010"/>'))
  const dark = [await veilAt(390), await veilAt(820), await veilAt(1280)]
  // Words at the left only, from a laptop’s width on: a picture that is light at its right end alone needs no veil there.
  await wear(await picture('<rect width="1800" height="1200" fill="#101010"/><rect x="1500" width="300" height="1200" fill="#ffffff"/>'))
  const right = [await veilAt(390), await veilAt(820), await veilAt(1280)]
  expect(Math.min(...half)).toBeGreaterThan(0.5)
  expect(Math.max(...dark)).toBeLessThan(0.1)
  expect(right[0]).toBeGreaterThan(0.5)
  expect(right[2]).toBeLessThan(0.1)
})
