import { expect, test } from 'vitest'
import { random, randomHex } from '../../../tests/random'
import { boundsOf, findMark, findPalette, makeLightMap, marginShare, trimBox, type Pixels } from '.'

const bytesOf = (hex: string): number[] => [1, 3, 5].map((at) => Number.parseInt(hex.slice(at, at + 2), 16))
/** A picture drawn by a rule; null is transparent. */
const draw = (width: number, height: number, at: (x: number, y: number) => string | null): Pixels => {
  const data = new Uint8ClampedArray(width * height * 4)
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const hex = at(x, y)
      if (hex) data.set([...bytesOf(hex), 255], (y * width + x) * 4)
    }
  return { width, height, data }
}

test('the palette of a flat drawing is its very colours with their shares; what is see-through does not count', () => {
  const flag = draw(100, 100, (x, y) => (y < 20 ? null : x < 50 ? '#173f42' : x < 90 ? '#e4b02a' : '#ffffff'))
  const found = findPalette(flag.data)
  expect(new Set(found.map((c) => c.hex))).toEqual(new Set(['#173f42', '#e4b02a', '#ffffff']))
  const share = (hex: string): number => found.find((c) => c.hex === hex)!.share
  expect(share('#173f42')).toBeCloseTo(0.5, 6)
  expect(share('#e4b02a')).toBeCloseTo(0.4, 6)
  expect(found.find((c) => c.hex === '#ffffff')).toMatchObject({ neutral: true })
  expect(found.at(-1)?.hex).toBe('#ffffff') // The vivid ones first.
  expect(findPalette(draw(10, 10, () => null).data)).toEqual([])
})

test('for seeded drawings of two to five colours that are well apart, all are found and their shares add up to one', () => {
  const next = random(21)
  let checked = 0
  for (let i = 0; i < 120; i++) {
    const colours = Array.from({ length: 2 + (i % 4) }, () => randomHex(next))
    const apart = colours.every((a, k) =>
      colours.slice(k + 1).every((b) => Math.hypot(...bytesOf(a).map((v, c) => v - bytesOf(b)[c]!)) > 130),
    )
    if (!apart) continue
    checked++
    const found = findPalette(draw(60, 60, (x) => colours[Math.floor((x * colours.length) / 60)]!).data)
    expect(new Set(found.map((c) => c.hex))).toEqual(new Set(colours))
    expect(found.reduce((sum, c) => sum + c.share, 0)).toBeCloseTo(1, 6)
  }
  expect(checked).toBeGreaterThan(20)
})

test('a small vivid sign in a grey photo is found', () => {
  const next = random(22)
  const photo = draw(200, 200, (x, y) =>
    x > 180 && y > 170
      ? '#d4201c'
      : `#${Math.floor(110 + next() * 40)
          .toString(16)
          .repeat(3)}`,
  )
  expect(findPalette(photo.data)[0]).toMatchObject({ hex: '#d4201c', neutral: false })
})

test('a logo is trimmed to what is drawn, on transparent and on flat grounds alike', () => {
  for (const ground of [null, '#ffffff', '#12406a']) {
    const logo = draw(120, 60, (x, y) => (x >= 20 && x < 90 && y >= 15 && y < 40 ? '#d4201c' : ground))
    expect(trimBox(logo)).toEqual({ left: 20, top: 15, width: 70, height: 25 })
  }
  const full = draw(30, 20, (x) => (x % 2 ? '#000000' : '#ff0000'))
  expect(trimBox(full)).toMatchObject({ height: 20 })
  expect(trimBox(draw(10, 10, () => null))).toBeNull()
  expect(marginShare({ width: 100, height: 100 }, { left: 0, top: 0, width: 50, height: 50 })).toBe(0.75)
})

test('the mark is the nearly square part beside the words, or the whole of a square logo; words alone have none', () => {
  const letters = (x: number): boolean => x >= 60 && x < 196 && (x - 60) % 14 < 9
  const withMark = draw(200, 40, (x, y) => (x < 40 ? '#1c6b70' : letters(x) && y > 8 && y < 32 ? '#000000' : null))
  expect(findMark(withMark)).toEqual({ left: 0, top: 0, width: 40, height: 40 })
  const markBehind = draw(200, 40, (x, y) => (x >= 160 ? '#1c6b70' : letters(x + 55) && x < 140 && y > 8 && y < 32 ? '#000000' : null))
  expect(findMark(markBehind)).toEqual({ left: 160, top: 0, width: 40, height: 40 })
  expect(findMark(draw(200, 40, (x, y) => (letters(x) && y > 8 && y < 32 ? '#000000' : null)))).toBeNull()
  expect(findMark(draw(50, 50, (x, y) => (Math.hypot(x - 25, y - 25) < 20 ? '#000000' : null)))).toMatchObject({ width: 39, height: 39 })
})

test('no pixel of a part of a picture lies outside the bounds of that part, whatever the crop and focus', () => {
  const next = random(23)
  const photo = draw(
    320,
    240,
    (x, y) =>
      (x < 160 ? '#f4f4f0' : randomHex(next)) &&
      `#${[x < 160 ? 240 : 20, (x + y) % 256, y].map((v) => Math.min(255, v).toString(16).padStart(2, '0')).join('')}`,
  )
  const asset = { width: 3200, height: 2400, light: makeLightMap(photo) }
  let checked = 0
  for (const ratio of [null, '21:9', '1:1', '4:5'])
    for (const focus of [
      { x: 0.5, y: 0.5 },
      { x: 0, y: 1 },
    ])
      for (const area of [
        { left: 0, top: 0, right: 1, bottom: 1 },
        { left: 0, top: 0, right: 0.3, bottom: 0.5 },
        { left: 0.6, top: 0.4, right: 1, bottom: 1 },
      ]) {
        const [dark, light] = boundsOf(asset, ratio, focus, area).map(bytesOf)
        const [w, h] = (ratio ?? '4:3').split(':').map(Number)
        const width = Math.min(320, Math.round((240 * w!) / h!))
        const height = Math.min(240, Math.round((width * h!) / w!))
        const at = (length: number, box: number, share: number): number => Math.min(length - box, Math.max(0, share * length - box / 2))
        const [left, top] = [at(320, width, focus.x), at(240, height, focus.y)]
        for (let y = Math.ceil(top + height * area.top); y < top + height * area.bottom - 1; y += 7)
          for (let x = Math.ceil(left + width * area.left); x < left + width * area.right - 1; x += 7) {
            for (const c of [0, 1, 2]) {
              checked++
              const value = photo.data[(Math.floor(y) * 320 + Math.floor(x)) * 4 + c]!
              expect(value).toBeGreaterThanOrEqual(dark![c]!)
              expect(value).toBeLessThanOrEqual(light![c]!)
            }
          }
      }
  expect(checked).toBeGreaterThan(5000)
  expect(boundsOf({ width: 10, height: 10 }, null, { x: 0.5, y: 0.5 }, { left: 0, top: 0, right: 1, bottom: 1 })).toEqual([
    '#000000',
    '#ffffff',
  ])
})

test('a dark half and a light half of a picture are told apart', () => {
  const half = { width: 400, height: 300, light: makeLightMap(draw(320, 240, (x) => (x < 160 ? '#000000' : '#ffffff'))) }
  const focus = { x: 0.5, y: 0.5 }
  expect(boundsOf(half, null, focus, { left: 0, top: 0, right: 0.5, bottom: 1 })).toEqual(['#000000', '#000000'])
  expect(boundsOf(half, null, focus, { left: 0.5, top: 0, right: 1, bottom: 1 })).toEqual(['#ffffff', '#ffffff'])
  expect(boundsOf(half, null, focus, { left: 0, top: 0, right: 1, bottom: 1 })).toEqual(['#000000', '#ffffff'])
})
