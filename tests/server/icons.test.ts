import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { fileTypeFromBuffer } from 'file-type'
import sharp from 'sharp'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { renderWebManifest } from '../../src/core/release'
import { initials, type IconPlan } from '../../src/core/render'
import { FAMILIES } from '../../src/core/type'
import { makeOneColour } from '../../src/server/media/one-colour'
import { storeLogo } from '../../src/server/media/store-logo'
import { makeIcons } from '../../src/server/releases/icons'
import { readAsset } from '../../src/server/store/assets'

let folder = ''
beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'instant-fit-'))
  process.env.INSTANT_FIT_DATA = folder
})
afterAll(() => rmSync(folder, { recursive: true }))

const PLAN: IconPlan = {
  letters: 'TW',
  family: FAMILIES.vollkorn!,
  weight: 700,
  grounds: [{ ground: '#204060', ink: '#ffffff', mark: null }],
  form: 'soft',
}
const marked = (mark: string, ...grounds: readonly string[]): IconPlan => {
  const [first, ...rest] = grounds.map((ground) => ({ ground, ink: '#ffffff', mark }))
  return { ...PLAN, grounds: [first!, ...rest] }
}
const pixel = async (png: Buffer, x: number, y: number): Promise<number[]> => [
  ...(await sharp(png).extract({ left: x, top: y, width: 1, height: 1 }).ensureAlpha().raw().toBuffer()),
]

test('the set holds every size that tabs, home screens and manifests ask for, and letters are outlines', async () => {
  const icons = await makeIcons(PLAN)
  expect(icons.svg).not.toContain('<text')
  for (const [png, size] of [
    [icons.touch, 180],
    [icons.small, 192],
    [icons.large, 512],
    [icons.maskable, 512],
  ] as const)
    expect(await sharp(png).metadata()).toMatchObject({ format: 'png', width: size, height: size })
  expect(await fileTypeFromBuffer(icons.ico)).toMatchObject({ ext: 'ico' })
  // Three pictures, each where the directory says and of the size it says.
  expect(icons.ico.readUInt16LE(4)).toBe(3)
  for (const [i, size] of [16, 32, 48].entries()) {
    const at = 6 + 16 * i
    const png = icons.ico.subarray(icons.ico.readUInt32LE(at + 12), icons.ico.readUInt32LE(at + 12) + icons.ico.readUInt32LE(at + 8))
    expect(await sharp(png).metadata()).toMatchObject({ format: 'png', width: size })
  }
  // Home screens cut their own corners: what is sent there fills the square, a tab's icon has its form.
  expect((await pixel(icons.touch, 0, 0)).slice(0, 3)).toEqual([0x20, 0x40, 0x60])
  expect((await pixel(icons.large, 0, 0))[3]).toBe(0)
})

test('what stands on a maskable icon keeps within the safe circle of 80 % (W3C Manifest)', async () => {
  const { data, info } = await sharp((await makeIcons({ ...PLAN, letters: 'WWW' })).maskable)
    .raw()
    .ensureAlpha()
    .toBuffer({ resolveWithObject: true })
  let drawn = 0
  for (let y = 0; y < info.height; y++)
    for (let x = 0; x < info.width; x++) {
      if ((data[(y * info.width + x) * info.channels] ?? 0) < 0x90) continue
      drawn++
      expect(Math.hypot(x - 256, y - 256)).toBeLessThanOrEqual(256 * 0.8)
    }
  expect(drawn).toBeGreaterThan(500)
})

test('an icon is made from the logo’s mark where it has one, cut out of its margins and away from its words', async () => {
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 260 80"><rect x="20" y="20" width="40" height="40" ' +
    'fill="#d4201c"/><rect x="90" y="26" width="60" height="28" fill="#d4201c"/><rect x="160" y="26" width="60" ' +
    'height="28" fill="#d4201c"/></svg>'
  const { asset, notes } = await storeLogo(null, 'logo.svg', Buffer.from(svg))
  expect([asset.width, asset.height]).toEqual([200, 40])
  expect(notes[0]).toMatch(/margins, \d+ % of it, were cut off/)
  const icons = await makeIcons(marked(asset.id, '#ffffff'))
  const red = [0xd4, 0x20, 0x1c]
  expect((await pixel(icons.large, 256, 256)).slice(0, 3)).toEqual(red)
  expect((await pixel(icons.large, 110, 256)).slice(0, 3)).toEqual(red) // The mark fills two thirds of the side,
  expect((await pixel(icons.large, 60, 256)).slice(0, 3)).toEqual([255, 255, 255]) // and nothing of the words beside it is left.
  const png = await sharp(Buffer.from(svg)).resize(520).png().toBuffer()
  const raster = await storeLogo(null, 'logo.png', png)
  expect((await pixel((await makeIcons(marked(raster.asset.id, '#ffffff'))).large, 256, 256)).slice(0, 3)).toEqual(red)
})

test('a mark that cannot be told from its ground stands on the next that it can be told from (WCAG 2.2, 1.4.11: 3 to 1)', async () => {
  // Burgundy: on near-black 1.7:1, on paper 11:1.
  const svg = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 40"><rect width="40" height="40" rx="9" fill="#6b1d2e"/></svg>'
  const { asset } = await storeLogo(null, 'burgundy.svg', Buffer.from(svg))
  const groundOf = async (...grounds: readonly string[]): Promise<number[]> =>
    (await pixel((await makeIcons(marked(asset.id, ...grounds))).touch, 3, 3)).slice(0, 3)
  expect(await groundOf('#15181a', '#faf6ed')).toEqual([0xfa, 0xf6, 0xed])
  expect(await groundOf('#faf6ed', '#15181a')).toEqual([0xfa, 0xf6, 0xed])
  // Where none will do, the one that is nearest to it.
  expect(await groundOf('#6b1d2e', '#15181a')).toEqual([0x15, 0x18, 0x1a])
})

test('a logo that moves, one whose words are text, and one of words alone are each told or stood in for', async () => {
  const frame = (red: number): Buffer => Buffer.alloc(60 * 40 * 3, red)
  const gif = await sharp(Buffer.concat([frame(10), frame(200)]), { raw: { width: 60, height: 80, channels: 3, pageHeight: 40 } as never })
    .gif({ delay: [100, 100] })
    .toBuffer()
  expect((await storeLogo(null, 'moving.gif', gif)).notes).toEqual([expect.stringMatching(/It moves \(2 pictures\)/)])
  const words =
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 200 40"><text x="0" y="30" font-family="Hollin Grotesk, ' +
    'sans-serif" font-size="30">Hollin</text></svg>'
  const { asset, notes } = await storeLogo(null, 'words.svg', Buffer.from(words))
  expect(notes.at(-1)).toMatch(/text in “Hollin Grotesk”.*outlines/)
  expect((await makeIcons(marked(asset.id, '#204060'))).svg).toBe((await makeIcons(PLAN)).svg)
  await expect(
    storeLogo(
      null,
      'bad.svg',
      Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><script>1</script><path d="M0 0h9v9z"/></svg>'),
    ),
  ).rejects.toThrow(/holds a script/)
  await expect(
    storeLogo(
      null,
      'far.svg',
      Buffer.from(
        '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><image href="https://example.test/a.png" width="9" height="9"/></svg>',
      ),
    ),
  ).rejects.toThrow(/another place/)
})

test('a one-colour version cuts inner shapes out of a light logo, stays a drawing, and is refused where shapes would merge', async () => {
  const svg = (...shapes: readonly string[]): Buffer =>
    Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 120 60" width="120" height="60">${shapes.join('')}</svg>`)
  const stripe = (x: number, colour: string): string => `<rect x="${x}" y="5" width="30" height="50" fill="${colour}"/>`
  const yellow = svg(
    '<rect x="5" y="5" width="110" height="50" fill="#ffdc28"/>',
    '<rect x="35" y="20" width="50" height="20" fill="#fff"/>',
  )
  const { asset } = await storeLogo(null, 'yellow.svg', yellow)
  const made = await makeOneColour(null, asset.id, '#101010')
  expect(made.vector).toBe(true)
  const drawn = await sharp(readAsset(made.id)!.bytes).resize(120).png().toBuffer()
  const opacity = async (x: number, y: number): Promise<number> => (await pixel(drawn, x, y))[3]!
  expect(await opacity(12, 12)).toBeGreaterThan(240)
  expect(await opacity(55, 25)).toBeLessThan(15)
  const flag = await storeLogo(null, 'flag.svg', svg(stripe(15, '#d95473'), stripe(45, '#4b78b3'), stripe(75, '#4e8433')))
  await expect(makeOneColour(null, flag.asset.id, '#101010')).rejects.toThrow(/“flag” tells its shapes apart by several colours/)
})

test('initials are those of the words that matter', () => {
  for (const [name, letters] of [
    ['Tolliver & Wren', 'TW'],
    ['The Saltmarsh Physiotherapy Rooms', 'SP'],
    ['hollin', 'H'],
    ['Österle und Söhne', 'ÖU'],
    ['A and B Ltd', 'B'],
    ['  ', ''],
    ['“Quill”', 'Q'],
    ['3 Rivers Roofing', '3R'],
  ] as const)
    expect(initials(name)).toBe(letters)
})

test('the web manifest names the icons with their sizes, one of them maskable', () => {
  const manifest = JSON.parse(
    renderWebManifest({ name: 'Tolliver & Wren', ground: '#faf6ed', icons: { small: 'a.png', large: 'b.png', maskable: 'c.png' } }),
  ) as Record<string, unknown>
  expect(manifest).toMatchObject({ name: 'Tolliver & Wren', short_name: 'Tolliver', display: 'browser', theme_color: '#faf6ed' })
  expect(manifest.icons).toEqual([
    { src: 'a.png', sizes: '192x192', type: 'image/png' },
    { src: 'b.png', sizes: '512x512', type: 'image/png' },
    { src: 'c.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
  ])
})
