import { mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import sharp from 'sharp'
import { beforeAll, describe, expect, test } from 'vitest'

const W = 96
const H = 64
type Rgb = readonly [number, number, number]
const CORNERS: readonly Rgb[] = [
  [220, 30, 30],
  [30, 160, 60],
  [40, 60, 210],
  [235, 200, 40],
]

/** The upright picture: a colour of its own in each quarter, so that no turn or mirroring looks like another. */
const upright = (x: number, y: number): Rgb => CORNERS[(y < H / 2 ? 0 : 2) + (x < W / 2 ? 0 : 1)]!

/**
 * Where the pixel at row `r`, column `c` of the stored picture belongs in the upright one. CIPA DC-008 (Exif 3.0), tag 274:
 * “the 0th row is the visual … of the image, and the 0th column is the visual …”.
 */
const PLACE: Record<number, (r: number, c: number) => [x: number, y: number]> = {
  1: (r, c) => [c, r], // row: top, column: left
  2: (r, c) => [W - 1 - c, r], // top, right
  3: (r, c) => [W - 1 - c, H - 1 - r], // bottom, right
  4: (r, c) => [c, H - 1 - r], // bottom, left
  5: (r, c) => [r, c], // left, top
  6: (r, c) => [W - 1 - r, c], // right, top
  7: (r, c) => [W - 1 - r, H - 1 - c], // right, bottom
  8: (r, c) => [r, H - 1 - c], // left, bottom
}

async function stored(orientation: number): Promise<Buffer> {
  const [width, height] = orientation >= 5 ? [H, W] : [W, H]
  const pixels = Buffer.alloc(width * height * 3)
  for (let r = 0; r < height; r++) for (let c = 0; c < width; c++) pixels.set(upright(...PLACE[orientation]!(r, c)), (r * width + c) * 3)
  return sharp(pixels, { raw: { width, height, channels: 3 } })
    .jpeg({ quality: 95, chromaSubsampling: '4:4:4' })
    .withMetadata({ orientation })
    .toBuffer()
}

describe('pictures as they come in', () => {
  let storeUpload: typeof import('../../src/server/media/store-upload').storeUpload
  let data = ''
  beforeAll(async () => {
    data = process.env.INSTANT_FIT_DATA = mkdtempSync(path.join(tmpdir(), 'instant-fit-'))
    ;({ storeUpload } = await import('../../src/server/media/store-upload'))
  })

  test.each([1, 2, 3, 4, 5, 6, 7, 8])('Exif orientation %i is turned upright', async (orientation) => {
    const asset = await storeUpload(null, `o${orientation}.jpg`, await stored(orientation))
    expect([asset.width, asset.height]).toEqual([W, H])
    const file = readFileSync(path.join(data, 'media', `${asset.hash}.jpg`))
    const { data: pixels, info } = await sharp(file).raw().toBuffer({ resolveWithObject: true })
    expect([info.width, info.height]).toEqual([W, H])
    for (const [x, y] of [
      [12, 8],
      [84, 8],
      [12, 56],
      [84, 56],
    ] as const) {
      const found = [...pixels.subarray((y * W + x) * 3, (y * W + x) * 3 + 3)]
      upright(x, y).forEach((value, i) => expect(Math.abs((found[i] ?? 0) - value), `at ${x},${y}`).toBeLessThan(14))
    }
    expect((await sharp(file).metadata()).orientation ?? 1).toBe(1)
  })

  test('the same file twice is one picture', async () => {
    const bytes = await stored(1)
    expect((await storeUpload(null, 'a.jpg', bytes)).id).toBe((await storeUpload(null, 'b.jpg', bytes)).id)
  })

  test('the focus proposed lies on what stands out', async () => {
    const spot = await sharp({ create: { width: 60, height: 60, channels: 3, background: '#d02010' } })
      .png()
      .toBuffer()
    const picture = await sharp({ create: { width: 900, height: 300, channels: 3, background: '#c9c9c4' } })
      .composite([{ input: spot, left: 780, top: 120 }])
      .jpeg()
      .toBuffer()
    expect((await storeUpload(null, 'spot.jpg', picture)).focus.x).toBeGreaterThan(0.7)
  })
})
