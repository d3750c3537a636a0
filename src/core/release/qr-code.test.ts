import jsQR from 'jsqr'
import { expect, test } from 'vitest'
import { qrCode, qrPath, qrSvg, shareText, type QrCode } from '.'

/** The code as a camera sees it: each module so many points wide. */
function seen(code: QrCode, scale: number, blot: (x: number, y: number) => boolean = () => false): string | null {
  const width = code.side * scale
  const pixels = new Uint8ClampedArray(width * width * 4)
  for (let y = 0; y < width; y++)
    for (let x = 0; x < width; x++) {
      const [mx, my] = [Math.floor(x / scale), Math.floor(y / scale)]
      const light = code.isDark(mx, my) || blot(mx, my) ? 0 : 255
      pixels.set([light, light, light, 255], (y * width + x) * 4)
    }
  return jsQR(pixels, width, width)?.data ?? null
}

const URLS = [
  'http://tolliver-and-wren.localhost:4380/',
  'https://a.example/',
  'https://xn--bcher-kva.example/',
  `https://${'a-long-name-'.repeat(5)}.example/with/a/path?and=more#here`,
  'https://bücher.example/größe',
]

test.each(URLS)('%s is read back by another reader, small and large', (url) => {
  for (const scale of [2, 3, 8]) expect(seen(qrCode(url), scale)).toBe(url)
})

test('it reads with a corner of its words blotted out, and has four light modules all round', () => {
  const code = qrCode(URLS[0]!)
  expect(seen(code, 4, (x, y) => x >= code.side - 8 && x < code.side - 4 && y >= code.side - 8 && y < code.side - 4)).toBe(URLS[0])
  for (let at = 0; at < code.side; at++)
    for (let edge = 0; edge < 4; edge++)
      for (const [x, y] of [
        [at, edge],
        [edge, at],
        [at, code.side - 1 - edge],
        [code.side - 1 - edge, at],
      ] as const)
        expect(code.isDark(x, y)).toBe(false)
})

test('the path draws each dark module once and no other', () => {
  const code = qrCode('https://a.example/')
  const drawn = new Map<string, number>()
  for (const [, x = '', y = '', width = ''] of qrPath(code).matchAll(/M(\d+) (\d+)h(\d+)v1h-\3z/g))
    for (let i = 0; i < Number(width); i++) drawn.set(`${Number(x) + i} ${y}`, (drawn.get(`${Number(x) + i} ${y}`) ?? 0) + 1)
  for (let y = 0; y < code.side; y++)
    for (let x = 0; x < code.side; x++) expect(drawn.get(`${x} ${y}`) ?? 0).toBe(code.isDark(x, y) ? 1 : 0)
  expect(qrSvg(code)).toMatch(/^<svg xmlns="http:\/\/www\.w3\.org\/2000\/svg" width="(\d+)mm" height="\1mm" viewBox="0 0 \1 \1"/)
})

test('what is shared says whose site it is, and the address stands on a line of its own', () => {
  expect(shareText({ name: 'Tolliver & Wren', tagline: 'Clocks put right' }, URLS[0]!)).toBe(
    `Tolliver & Wren: Clocks put right\n${URLS[0]}`,
  )
  expect(shareText({ name: ' Wren ' }, 'https://a.example/')).toBe('Wren\nhttps://a.example/')
  expect(shareText({}, 'https://a.example/')).toBe('https://a.example/')
})
