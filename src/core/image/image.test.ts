import { expect, test } from 'vitest'
import { random } from '../../../tests/random'
import {
  adviseLogo,
  cropToFocus,
  oneColourRow,
  opticalSize,
  parseRatio,
  pictureVariants,
  printInOneColour,
  variantPath,
  variantWidths,
  type AssetInfo,
  type LogoLook,
} from '.'

const photo: AssetInfo = {
  id: 'p',
  hash: '0123456789abcdef'.repeat(4),
  name: 'bench',
  width: 3000,
  height: 2000,
  bytes: 1,
  vector: false,
  alpha: false,
  focus: { x: 0.5, y: 0.5 },
}

test('a crop lies inside the picture, has the ratio, and holds the focus, for 2,000 seeded pictures', () => {
  const next = random(3)
  for (let i = 0; i < 2000; i++) {
    const picture = { width: 200 + Math.floor(next() * 4000), height: 200 + Math.floor(next() * 4000) }
    const ratio = 0.3 + next() * 3
    const focus = { x: next(), y: next() }
    const box = cropToFocus(picture, ratio, focus)
    expect(box.left >= 0 && box.top >= 0 && box.left + box.width <= picture.width && box.top + box.height <= picture.height).toBe(true)
    expect(Math.abs(box.width / box.height - ratio) / ratio).toBeLessThan(0.02)
    expect(focus.x * picture.width).toBeGreaterThanOrEqual(box.left - 1)
    expect(focus.x * picture.width).toBeLessThanOrEqual(box.left + box.width + 1)
    expect(focus.y * picture.height).toBeGreaterThanOrEqual(box.top - 1)
    expect(focus.y * picture.height).toBeLessThanOrEqual(box.top + box.height + 1)
  }
})

test('a crop stands as near to centred on the focus as the edges allow', () => {
  const left = (x: number): number => cropToFocus({ width: 3000, height: 2000 }, 1, { x, y: 0.5 }).left
  expect([left(0.5), left(0.6), left(0.3), left(1)]).toEqual([500, 800, 0, 1000])
  expect(cropToFocus({ width: 1000, height: 2000 }, 2, { x: 0, y: 0.5 })).toEqual({ left: 0, top: 750, width: 1000, height: 500 })
})

test('ratios are read as designs write them', () => {
  expect(parseRatio('4:5')).toBe(0.8)
  expect(parseRatio('1.91:1')).toBeCloseTo(1.91)
  for (const bad of [null, '', '4/5', '0:5', 'wide']) expect(parseRatio(bad)).toBeNull()
})

test('no picture is made larger than it is, and small ones are kept as they are', () => {
  expect(variantWidths(3000)).toEqual([400, 640, 960, 1280, 1600, 2000])
  expect(variantWidths(1440)).toEqual([400, 640, 960, 1280])
  expect(variantWidths(1500)).toEqual([400, 640, 960, 1280, 1500])
  expect(variantWidths(120)).toEqual([120])
})

test('a photo gets WebP at several widths and one fallback; a drawing is shipped as it is', () => {
  const { sources, fallback } = pictureVariants(photo, '4:5', photo.focus)
  expect(sources.every((s) => s.format === 'webp' && Math.abs(s.width / s.height - 0.8) < 0.01)).toBe(true)
  expect(fallback.format).toBe('jpg')
  expect(pictureVariants({ ...photo, alpha: true }, null, photo.focus).fallback.format).toBe('png')
  expect(pictureVariants({ ...photo, vector: true }, '1:1', photo.focus)).toEqual({
    sources: [],
    fallback: expect.objectContaining({ format: 'svg', ratio: null }),
  })
})

test('a file’s name changes with its content, frame, focus and width, and with nothing else', () => {
  const { sources } = pictureVariants(photo, '4:5', { x: 0.25, y: 0.5 })
  expect(variantPath(photo, sources[0]!)).toBe('pictures/bench-01234567-4x5-25-50-400.webp')
  expect(new Set(sources.map((s) => variantPath(photo, s))).size).toBe(sources.length)
})

test('a wide and a square logo cover the same area, and none is larger than allowed', () => {
  const most = { width: 340, height: 120 }
  const wide = opticalSize({ width: 400, height: 100 }, 12_000, most)
  const square = opticalSize({ width: 100, height: 100 }, 12_000, most)
  expect(Math.abs(wide.width * wide.height - square.width * square.height) / 12_000).toBeLessThan(0.02)
  const ribbon = opticalSize({ width: 2000, height: 100 }, 12_000, most)
  expect(ribbon.width).toBeLessThanOrEqual(340)
  expect(opticalSize({ width: 50, height: 900 }, 12_000, most).height).toBeLessThanOrEqual(120)
})

const look = (rgba: readonly number[], change: Partial<LogoLook> = {}): string =>
  adviseLogo({
    width: 400,
    height: 200,
    bytes: 9000,
    vector: false,
    alpha: true,
    pixels: new Uint8ClampedArray(Array.from({ length: 100 }, (_, i) => (i < 40 ? rgba : [0, 0, 0, 0])).flat()),
    ...change,
  }).advice.join(' ')

test('a logo is told what will go wrong with it, and nothing where nothing will', () => {
  expect(look([200, 60, 40, 255])).toBe('')
  expect(look([255, 255, 255, 255])).toContain('light all over')
  expect(look([10, 10, 10, 255])).toContain('dark all over')
  expect(look([200, 60, 40, 255], { width: 2000 })).toContain('10 times wider than high')
  expect(look([200, 60, 40, 255], { width: 60, height: 40 })).toContain('Only 60 × 40 px')
  expect(look([200, 60, 40, 255], { width: 60, height: 40, vector: true })).toBe('')
  expect(look([200, 60, 40, 255], { bytes: 900_000 })).toContain('900 kB is heavy')
  expect(look([0, 0, 0, 0])).toContain('Nothing can be seen')
  const flat = new Uint8ClampedArray(Array.from({ length: 100 }, () => [255, 255, 255, 255]).flat())
  expect(look([], { pixels: flat })).toContain('one flat box')
})

test('in one colour the darkest part is printed whole, white on dark stays open, and the ground stays clear', () => {
  const pixels = new Uint8ClampedArray([20, 60, 60, 255, 255, 255, 255, 255, 20, 60, 60, 0, 20, 60, 60, 128])
  const printed = printInOneColour(pixels, '#ffffff', oneColourRow(pixels))
  expect(Array.from(printed.filter((_, i) => i % 4 === 3))).toEqual([255, 0, 0, 128])
  expect(Array.from(printed.slice(0, 3))).toEqual([255, 255, 255])
  const light = new Uint8ClampedArray([250, 250, 250, 255, 250, 250, 250, 0])
  expect(Array.from(printInOneColour(light, '#101010', oneColourRow(light)))).toEqual([16, 16, 16, 255, 16, 16, 16, 0])
})
