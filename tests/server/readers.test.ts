import { mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import sharp from 'sharp'
import { beforeAll, describe, expect, test } from 'vitest'
import { findFamily } from '../../src/core/type'
import { Problem } from '../../src/server/problems'
import { fontFilePath } from '../../src/server/media/fonts'
import { cleanSvg } from '../../src/server/readers/clean-svg'
import { readOutside } from '../../src/server/readers/read-outside'
import { isSvg, tooMuch } from '../../src/server/readers/svg-limits'

beforeAll(() => {
  process.env.INSTANT_FIT_DATA = mkdtempSync(path.join(tmpdir(), 'instant-fit-'))
})

const svg = (inside: string, open = 'viewBox="0 0 100 100"'): string => `<svg xmlns="http://www.w3.org/2000/svg" ${open}>${inside}</svg>`
const outcome = (asked: Promise<unknown>): Promise<string> =>
  asked.then(
    () => 'taken',
    (error: unknown) => (error instanceof Problem ? `${error.code}: ${error.message}` : `not a problem: ${String(error)}`),
  )
/** How often a timer of 5 ms came round while something went on: seldom or never where the work holds the process up. */
async function turns(work: Promise<unknown>): Promise<number> {
  let count = 0
  const timer = setInterval(() => count++, 5)
  await work.catch(() => null)
  clearInterval(timer)
  return count
}

// First of all: no reader runs yet, and the time that it takes to start is not the file's.
test('a file has its whole time to itself, however long a reader takes to load', async () => {
  const png = await sharp({ create: { width: 64, height: 64, channels: 3, background: '#888' } })
    .png()
    .toBuffer()
  expect(await outcome(readOutside('picture', 'small.png', { bytes: png }, { seconds: 0.3, megabytes: 500 }))).toBe('taken')
})

describe('a file that would hold a program up', () => {
  const woff = (): Buffer => readFileSync(fontFilePath(findFamily('lora', [])!.files[0]!))

  test('a font that was cut short is told of, one that was altered is answered, and nobody else waits for either', async () => {
    const sound = woff()
    const cut = sound.subarray(0, Math.floor(sound.length * 0.97))
    const flipped = Buffer.from(sound)
    flipped[Math.floor(sound.length * 0.6)]! ^= 0x40
    const asked = [cut, flipped].map((bytes) =>
      outcome(readOutside('font', 'client.woff2', { bytes, texts: [] }, { seconds: 30, megabytes: 500 })),
    )
    expect(await turns(Promise.all(asked))).toBeGreaterThan(40)
    const [ofCut, ofFlipped] = await Promise.all(asked)
    expect(ofCut).toMatch(/^fontWrong: .*damaged/)
    // WOFF2 has no sum of its own: what can be read and cut down all the same is a font.
    expect(ofFlipped).toMatch(/^(taken|fontWrong: .*damaged|tooHeavy: .*seconds)/)
    // What comes after it is read as ever.
    expect(await outcome(readOutside('font', 'sound.woff2', { bytes: sound, texts: [] }))).toBe('taken')
  })

  test('twenty-four comments before a drawing are passed over at once; without a drawing they are none', () => {
    expect(isSvg(Buffer.from('<!---->'.repeat(24) + svg('<path d="M0 0h9v9z"/>')))).toBe(true)
    expect(isSvg(Buffer.from(`${'<!---->'.repeat(2000)}${' '.repeat(40_000)}<html>`))).toBe(false)
    expect(isSvg(Buffer.from(`\uFEFF<?xml version="1.0"?>\n<!DOCTYPE svg [<!-- > -->]>\n<!-- a -->\n${svg('')}`))).toBe(true)
    expect(isSvg(Buffer.from('<svgs>'))).toBe(false)
  })

  test('a drawing of ten thousand shapes is read, and nobody else waits for it; one of more is refused before it is', async () => {
    const shapes = (count: number): Buffer =>
      Buffer.from(svg(Array.from({ length: count }, (_, i) => `<rect x="${i % 97}" width="3" height="3"/>`).join('')))
    const reading = outcome(readOutside('logo', 'chart.svg', { bytes: shapes(8000) }, { seconds: 3, megabytes: 1200 }))
    expect(await turns(reading)).toBeGreaterThan(40)
    expect(await reading).toMatch(/^(taken|tooHeavy)/)
    expect(await outcome(readOutside('picture', 'chart.svg', { bytes: shapes(20_000) }))).toMatch(
      /^drawingUnsafe: .*more than 12000 shapes/,
    )
    expect(tooMuch(svg('<g>'.repeat(300)))).toMatch(/200 deep/)
  })
})

describe('a picture that claims what it is not', () => {
  test('a JPEG of 110 megapixels that ends at once, and a PNG with a wrong sum, are told of in words', async () => {
    const jpeg = await sharp({ create: { width: 64, height: 64, channels: 3, background: '#888' } })
      .jpeg()
      .toBuffer()
    const at = jpeg.indexOf(Buffer.from([0xff, 0xc0])) // The frame's header: height and width stand 5 bytes on (ITU-T T.81, B.2.2).
    jpeg.writeUInt16BE(10_000, at + 5)
    jpeg.writeUInt16BE(11_000, at + 7)
    expect(await outcome(readOutside('picture', 'claims.jpg', { bytes: jpeg }))).toMatch(/^(fileDamaged|pictureTooManyPixels|tooHeavy)/)
    const png = await sharp({ create: { width: 64, height: 64, channels: 3, background: '#888' } })
      .png()
      .toBuffer()
    png[png.indexOf('IDAT') + 10]! ^= 0xff
    expect(await outcome(readOutside('picture', 'sum.png', { bytes: png }))).toMatch(/^fileDamaged/)
  })

  test('a drawing with a view box of 30,000 square is looked at in the size that is needed', async () => {
    const bytes = Buffer.from(svg('<rect x="4000" y="4000" width="9000" height="3000"/>', 'viewBox="0 0 30000 30000"'))
    const { sent, trimmed } = await readOutside('logo', 'huge.svg', { bytes })
    expect([sent.width, sent.height]).toEqual([30_000, 30_000])
    expect(trimmed!.width / trimmed!.height).toBeCloseTo(3, 1)
  })
})

test('whatever name a drawing’s style gives to what fetches, it is refused', () => {
  const styles = [
    '@import "https://evil.example/a.css";',
    '@\\69mport url(https://evil.example/a.css);',
    'rect{fill:url(https://evil.example/a)}',
    'rect{fill:u\\72l(https://evil.example/a)}',
    'rect{background:image-set("https://evil.example/a" 1x)}',
    'rect{background:\\69mage-set("https://evil.example/a" 1x)}',
    'rect{background:-webkit-cross-fade(url(https://evil.example/a), none)}',
    'rect{cursor:url(//evil.example/a),auto}',
    '@font-face{font-family:a;src:url(https://evil.example/a)}',
  ]
  for (const style of styles) expect(cleanSvg(svg(`<style>${style}</style><rect width="9" height="9"/>`)).ok, style).toBe(false)
  for (const href of ['/\\evil.example', 'https:evil.example', '//evil.example/a', 'java\tscript:alert(1)', 'data:text/html,a'])
    expect(cleanSvg(svg(`<image href="${href}" width="9" height="9"/>`)).ok, href).toBe(false)
  const sound = svg(
    '<style>.a{fill:rgb(10 20 30);transform:rotate(3deg)}</style>' +
      '<defs><linearGradient id="g"/></defs><rect class="a" fill="url(#g)" width="9" height="9"/>',
  )
  expect(cleanSvg(sound)).toMatchObject({ ok: true })
})
