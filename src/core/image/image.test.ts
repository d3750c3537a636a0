import { expect, test } from 'vitest'
import { random } from '../../../tests/random'
import {
  adviseLogo,
  cropToFocus,
  oneColourRow,
  middleContrast,
  type OpacityRow,
  type Pixels,
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
  expect(variantWidths(3000)).toEqual([400, 640, 800, 960, 1280, 1600, 2000])
  expect(variantWidths(1440)).toEqual([400, 640, 800, 960, 1280])
  expect(variantWidths(1500)).toEqual([400, 640, 800, 960, 1280, 1500])
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

const look = (rgba: readonly number[], change: Partial<LogoLook> = {}): string => {
  const { advice, needsOther } = adviseLogo({
    width: 400,
    height: 200,
    bytes: 9000,
    vector: false,
    alpha: true,
    pixels: new Uint8ClampedArray(Array.from({ length: 100 }, (_, i) => (i < 40 ? rgba : [0, 0, 0, 0])).flat()),
    ...change,
  })
  return [...advice, ...needsOther].join(' ')
}

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

const rowOf = (data: Uint8ClampedArray, width: number): OpacityRow => oneColourRow({ data, width, height: data.length / 4 / width })!

test('in one colour the darkest part is printed whole, white on dark stays open, and the ground stays clear', () => {
  const pixels = new Uint8ClampedArray([20, 60, 60, 255, 255, 255, 255, 255, 20, 60, 60, 0, 20, 60, 60, 128])
  const printed = printInOneColour(pixels, '#ffffff', rowOf(pixels, 4))
  expect(Array.from(printed.filter((_, i) => i % 4 === 3))).toEqual([255, 0, 0, 128])
  expect(Array.from(printed.slice(0, 3))).toEqual([255, 255, 255])
  const light = new Uint8ClampedArray([250, 250, 250, 255, 250, 250, 250, 0])
  expect(Array.from(printInOneColour(light, '#101010', rowOf(light, 2)))).toEqual([16, 16, 16, 255, 16, 16, 16, 0])
})

type Rgb = readonly [number, number, number]
/** A drawing of 60 × 40 px within a clear margin of 4. */
function drawing(colourAt: (x: number, y: number) => Rgb): Pixels {
  const data = new Uint8ClampedArray(60 * 40 * 4)
  for (let y = 4; y < 36; y++) for (let x = 4; x < 56; x++) data.set([...colourAt(x, y), 255], (y * 60 + x) * 4)
  return { width: 60, height: 40, data }
}
/** A field with a bar of another colour in its middle. */
const field = (ground: Rgb, bar: Rgb): Pixels => drawing((x, y) => (y < 14 || y >= 26 || x < 14 || x >= 46 ? ground : bar))
const at = (pixels: Uint8ClampedArray, x: number, y: number): number => pixels[(y * 60 + x) * 4 + 3] ?? -1

test('shapes that only their colours told apart are cut out of each other in one colour, or it is refused', () => {
  // White on yellow is light all over, red on green equally dark: in one opacity each would be a flat box.
  for (const [ground, bar] of [
    [
      [255, 220, 40],
      [255, 255, 255],
    ],
    [
      [0, 130, 60],
      [210, 60, 60],
    ],
    [
      [20, 30, 40],
      [250, 250, 250],
    ],
  ] as const) {
    const pixels = field(ground, bar)
    const row = oneColourRow(pixels)!
    const printed = printInOneColour(pixels.data as Uint8ClampedArray, '#000000', row)
    expect([at(printed, 8, 8) > 240, at(printed, 30, 20) < 30, at(printed, 1, 1)], String(ground)).toEqual([true, true, 0])
  }
  // Three colours that are equally dark cannot be one colour without losing a shape.
  const flag = drawing((x) => (x < 20 ? [217, 84, 115] : x < 40 ? [75, 120, 179] : [78, 132, 51]))
  expect(oneColourRow(flag)).toBeNull()
  // Shades of one colour, as of a drawing, are no shapes of their own.
  expect(oneColourRow(field([40, 40, 40], [60, 60, 60]))).not.toBeNull()
})

test('how a mark stands out from a ground is the contrast of its middle pixel (WCAG 2.2, “contrast ratio”)', () => {
  const whole = { left: 0, top: 0, width: 60, height: 40 }
  const grey = (n: number): readonly [number, number, number] => [n, n, n]
  // #777777 on white is 4.48:1, #aaaaaa 2.32:1 (WebAIM’s published table of greys; from memory).
  expect(middleContrast(field(grey(119), grey(119)), whole, '#ffffff')).toBeCloseTo(4.48, 2)
  expect(middleContrast(field(grey(170), grey(170)), whole, '#ffffff')).toBeCloseTo(2.32, 2)
  // The bar is a fifth of the drawing: it does not speak for the whole, but for the part that it fills.
  expect(middleContrast(field(grey(170), grey(119)), whole, '#ffffff')).toBeCloseTo(2.32, 2)
  expect(middleContrast(field(grey(170), grey(119)), { left: 20, top: 16, width: 10, height: 8 }, '#ffffff')).toBeCloseTo(4.48, 2)
  expect(middleContrast(field(grey(0), grey(0)), { left: 0, top: 0, width: 3, height: 3 }, '#ffffff')).toBe(21)
})
