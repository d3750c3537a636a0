import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import * as fontkit from 'fontkit'
import subsetFont from 'subset-font'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { LIMITS, SIZE_LIMITS, TEXT_STYLES } from '../../src/core/site'
import {
  evaluateLength,
  FAMILIES,
  fluidSize,
  isInRange,
  lettersInLine,
  missingLetters,
  pairFamilies,
  RANGES,
  readableMeasure,
  readEmbedding,
  siteTextStyles,
  STEPS,
  stepSize,
  usualPhoneSize,
  weightsOf,
} from '../../src/core/type'
import { projectFolder } from '../../src/server/files/data-folder'
import { fontFilePath } from '../../src/server/media/fonts'
import { storeFont } from '../../src/server/media/store-font'
import { Problem } from '../../src/server/problems'
import { testPack } from '../pack'

test('there are at least 24 families, each under a licence that its package carries, each file in its place', () => {
  const families = Object.values(FAMILIES)
  expect(families.length).toBeGreaterThanOrEqual(24)
  const listed = readFileSync(projectFolder('docs', 'fonts.md'), 'utf8')
  for (const family of families) {
    expect(listed).toContain(`| \`${family.key}\` | ${family.name} |`)
    expect(listed).toContain(family.licence)
    expect(family.licence).toContain('SIL Open Font Licence 1.1')
    for (const file of family.files) expect(readFileSync(fontFilePath(file)).toString('latin1', 0, 4), file.file).toBe('wOF2')
    expect(
      readFileSync(projectFolder('node_modules', ...(family.files[0]!.package ?? '').split('/'), 'LICENSE'), 'utf8'),
      family.name,
    ).toMatch(/SIL OPEN FONT LICENSE Version 1\.1/i)
  }
})

test('the table’s heights and weights are the files’ own (OpenType: OS/2 sxHeight and sCapHeight, fvar)', () => {
  for (const family of Object.values(FAMILIES)) {
    const file = family.files.find((f) => f.range === 'latin' && f.style === 'normal')!
    const font = fontkit.openSync(fontFilePath(file))
    expect(family.x, family.name).toBeCloseTo(font.xHeight / font.unitsPerEm, 2)
    expect(family.cap, family.name).toBeCloseTo(font.capHeight / font.unitsPerEm, 2)
    const axis = font.variationAxes.wght
    if (axis) expect(weightsOf(family)).toMatchObject({ least: axis.min, most: axis.max, only: [] })
    for (const letter of 'AZaz09éß') expect(font.hasGlyphForCodePoint(letter.codePointAt(0)!), `${family.name} ${letter}`).toBe(true)
    const further = fontkit.openSync(fontFilePath(family.files.find((f) => f.range === 'latin-ext' && f.style === 'normal')!))
    for (const letter of 'łőž') {
      expect(further.hasGlyphForCodePoint(letter.codePointAt(0)!), `${family.name} ${letter}`).toBe(true)
      expect(isInRange(RANGES['latin-ext'], letter.codePointAt(0)!)).toBe(true)
    }
  }
})

test('a font’s permission is read as OpenType 1.9.1 lists its bits', () => {
  // “OS/2”, fsType: 0 installable, 2 restricted, 4 preview and print, 8 editable, 0x100 no subsetting, 0x200 bitmaps only;
  // where several of the first four are set, the least restrictive counts.
  expect(readEmbedding(0)).toMatchObject({ allowed: true, whole: false })
  expect(readEmbedding(2)).toMatchObject({ allowed: false })
  expect(readEmbedding(4)).toMatchObject({ allowed: true })
  expect(readEmbedding(8)).toMatchObject({ allowed: true })
  expect(readEmbedding(2 | 8)).toMatchObject({ allowed: true })
  expect(readEmbedding(0x100)).toMatchObject({ allowed: true, whole: true })
  expect(readEmbedding(0x200)).toMatchObject({ allowed: false })
})

describe('a font file of the client’s', () => {
  const folder = mkdtempSync(path.join(tmpdir(), 'instant-fit-fonts-'))
  const before = process.env.INSTANT_FIT_DATA
  beforeAll(() => {
    process.env.INSTANT_FIT_DATA = folder
  })
  afterAll(() => {
    process.env.INSTANT_FIT_DATA = before
    rmSync(folder, { recursive: true })
  })

  const source = (): Buffer => readFileSync(fontFilePath(FAMILIES.lora!.files[0]!))
  /** The font as plain TrueType with another permission: fsType is the fourth field of OS/2, at byte 8 (OpenType 1.9.1). */
  const withPermission = async (fsType: number, letters = 'Hamburgefonstiv ABCabc'): Promise<Buffer> => {
    const font = Buffer.from(await subsetFont(source(), letters, { targetFormat: 'sfnt' }))
    const tables = font.readUInt16BE(4)
    for (let i = 0; i < tables; i++) {
      const at = 12 + 16 * i
      if (font.toString('latin1', at, at + 4) === 'OS/2') font.writeUInt16BE(fsType, font.readUInt32BE(at + 8) + 8)
    }
    return font
  }
  const refusal = async (name: string, bytes: Buffer): Promise<string> => {
    try {
      await storeFont(name, bytes, [])
    } catch (error) {
      return error instanceof Problem ? `${error.code}: ${error.message}` : String(error)
    }
    return 'taken'
  }

  test('is described by what is in it, and told which letters of the site it lacks', async () => {
    const { font, notes } = await storeFont('lora.ttf', await withPermission(0), ['Hamburg, Łódź & Ab'])
    expect(font).toMatchObject({ family: 'own-lora', name: 'Lora', style: 'normal', weight: '400 700' })
    expect(font.file).toMatch(/^own-[0-9a-f]{20}\.ttf$/)
    const reference = fontkit.create(source())
    expect(font.x).toBeCloseTo(reference.xHeight / reference.unitsPerEm, 2)
    expect(notes[0]).toMatch(/without limits/)
    expect(notes[1]).toMatch(/lacks 6 letters that this site uses: & , d ó Ł ź\./)
    expect((await storeFont('lora.woff2', source(), ['Hamburg'])).font.file).toMatch(/woff2$/)
  })

  test('that may not be embedded is refused with its own reason; one that may not be cut is kept whole', async () => {
    expect(await refusal('closed.ttf', await withPermission(2))).toMatch(/^fontForbidden: .*forbids embedding.*web licence/)
    expect(await refusal('bitmaps.ttf', await withPermission(0x200))).toMatch(/^fontForbidden: .*bitmaps only/)
    const { font, notes } = await storeFont('whole.ttf', await withPermission(0x100), [])
    expect(font.whole).toBe(true)
    expect(notes[0]).toMatch(/published whole/)
    expect((await storeFont('view.ttf', await withPermission(4), [])).notes[0]).toMatch(/viewing and printing/)
  })

  test('that is damaged, empty, a collection or no font at all is refused, each for what it is', async () => {
    const sound = await withPermission(0)
    expect(await refusal('cut.ttf', sound.subarray(0, 700))).toMatch(/^fontWrong: .*damaged/)
    expect(await refusal('cut.woff2', source().subarray(0, 4000))).toMatch(/^fontWrong: .*damaged/)
    expect(await refusal('empty.ttf', Buffer.alloc(0))).toMatch(/^fileEmpty/)
    expect(await refusal('many.ttc', Buffer.from(`ttcf${'\0'.repeat(40)}`))).toMatch(/^fontWrong: .*collection/)
    expect(await refusal('logo.otf', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'))).toMatch(/^fontWrong: .*no font file/)
    expect(await refusal('huge.ttf', Buffer.alloc(9 * 1024 * 1024))).toMatch(/^fontTooLarge: .*9 MB/)
  })
})

test('a size grows evenly between the phone and the desktop and stands still beyond, in rem', () => {
  for (const [phone, desktop] of [
    [28, 40],
    [41.6, 78.1],
    [16, 16],
    [20, 18],
  ] as const) {
    const at = (widthPx: number): number => evaluateLength(fluidSize(phone, desktop), { widthPx, emPx: 16, variables: new Map() })!
    expect(at(390)).toBeCloseTo(phone, 1)
    expect(at(1280)).toBeCloseTo(desktop, 1)
    expect(at(835)).toBeCloseTo((phone + desktop) / 2, 1)
    expect(at(200)).toBeCloseTo(phone, 1)
    expect(at(3000)).toBeCloseTo(desktop, 1)
    expect(fluidSize(phone, desktop)).not.toContain('px')
  }
  // Common practice, no source: 40 px on desktop is about 28 px on the phone.
  expect(usualPhoneSize(40)).toBe(28)
  expect(usualPhoneSize(14)).toBe(16)
})

test('lengths are evaluated as CSS Values 4 defines them, and what is no length gives none', () => {
  const scope = {
    widthPx: 1000,
    emPx: 20,
    variables: new Map([
      ['--a', 'clamp(1rem, 5vw, 3rem)'],
      ['--b', 'calc(var(--a) * 2)'],
    ]),
  }
  for (const [text, px] of [
    ['2rem', 32],
    ['1.5em', 30],
    ['10vw', 100],
    ['var(--a)', 48],
    ['var(--b)', 96],
    ['calc(1rem + 2vw - 4px)', 32],
    ['min(40px, 3vw, 2rem)', 30],
    ['max(1px, 2px)', 2],
    ['calc((1rem + 4px) / 2)', 10],
    ['var(--none, 7px)', 7],
    ['var(--a, 7px)', 48],
  ] as const)
    expect(evaluateLength(text, scope), text).toBeCloseTo(px, 6)
  for (const text of ['auto', '1fr', 'var(--none)', 'calc(1rem +', '12furlong', '']) expect(evaluateLength(text, scope), text).toBeNull()
})

test('a scale gives base times ratio to the power of the step, and every style keeps within what can be read', () => {
  // 16 × 1.25ⁿ; −1 would be 12.8 and is held at 13.
  expect(STEPS.map((step) => stepSize({ base: 16, ratio: 1.25 }, step))).toEqual([13, 16, 20, 25, 31.3, 39.1, 48.8])
  for (const { type } of Object.values(testPack().templates)) {
    for (const ratio of [LIMITS.ratio[0], 1.25, LIMITS.ratio[1]]) {
      const styles = siteTextStyles(type, { scale: { phone: { base: 16, ratio }, desktop: { base: 24, ratio } } })
      for (const name of TEXT_STYLES)
        for (const at of ['phone', 'desktop'] as const) {
          expect(styles[name][at], name).toBeGreaterThanOrEqual(SIZE_LIMITS[name][0])
          expect(styles[name][at], name).toBeLessThanOrEqual(SIZE_LIMITS[name][1])
        }
    }
  }
})

test('every template’s running text is 16 px or more, and a heading smaller on the phone than on desktop', () => {
  // Common practice, no source: body text from 16 px.
  for (const { id, type } of Object.values(testPack().templates)) {
    expect(type.styles.body.phone, id).toBeGreaterThanOrEqual(16)
    expect(type.styles.h1.phone, id).toBeLessThan(type.styles.h1.desktop)
    expect(type.styles.h1.family, id).toBe('display') // Else another family for headings would reach none of them.
  }
})

test('letters in a line follow from the family’s width, within the rule of 45 to 75 for the templates’ own column', () => {
  // Common practice, no source. 560 px of Alegreya Sans at 19 px: 560 / (0.388 × 19) = 76.
  expect(lettersInLine(FAMILIES['alegreya-sans']!, 19, 560)).toBe(76)
  expect(lettersInLine(FAMILIES.merriweather!, 18, 560)).toBe(64)
})

test('whatever the family and the size, a full line of running text holds 45 to 75 letters', () => {
  // Common practice, no source.
  let checked = 0
  for (const family of Object.values(FAMILIES))
    for (let size = SIZE_LIMITS.body[0]; size <= SIZE_LIMITS.body[1]; size += 0.5)
      for (const designed of [300, 540, 560, 900]) {
        const letters = lettersInLine(family, size, readableMeasure(family, size, designed))
        expect(letters).toBeGreaterThanOrEqual(45)
        expect(letters).toBeLessThanOrEqual(75)
        checked++
      }
  expect(checked).toBeGreaterThan(1000)
  expect(readableMeasure(FAMILIES.lora!, 18, 560)).toBe(560) // 66 letters: as designed.
})

test('families are paired with reasons that hold: plainly two, and small letters equally high', () => {
  const all = Object.values(FAMILIES)
  const pairs = pairFamilies(FAMILIES['playfair-display']!, all)
  expect(pairs[0]!.reasons.length).toBeGreaterThan(1)
  expect(pairs.every((pair, i) => i === 0 || pair.score <= pairs[i - 1]!.score)).toBe(true)
  for (const { family, reasons } of pairs) {
    if (reasons.some((r) => r.startsWith('small letters equally high'))) expect(Math.abs(0.514 / family.x - 1)).toBeLessThan(0.04)
    expect(['serif', 'slab', 'sans']).toContain(family.kind)
  }
  expect(pairs.slice(0, 3).every((pair) => pair.family.kind === 'sans')).toBe(true)
})

test('letters without a shape of their own are not missed', () => {
  expect(missingLetters(['a b\u00a0c\u200d\n', 'é'], (point) => point < 128)).toEqual(['é'])
})
