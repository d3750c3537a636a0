import slugify from '@sindresorhus/slugify'
import * as fontkit from 'fontkit'
import type { OwnFont } from '../../core/site'
import { fontFeatures } from '../../core/faces'
import { missingLetters, readEmbedding } from '../../core/type'
import { cutDown, type Part } from '../media/cut-down'
import { Problem } from '../problems'

/**
 * A font file that may be used, with what it permits and which of the client's letters it lacks. `font.file` is its type until it is
 * kept.
 */
export type ReadFont = { readonly font: OwnFont; readonly notes: readonly string[] }

/** The first four bytes of the formats that browsers take: WOFF2, WOFF 1.0, OpenType 1.9.1 (“Table directory”). */
const FORMATS = new Map<string, 'woff2' | 'woff' | 'ttf' | 'otf'>([
  ['774f4632', 'woff2'],
  ['774f4646', 'woff'],
  ['00010000', 'ttf'],
  ['74727565', 'ttf'],
  ['4f54544f', 'otf'],
])
const COLLECTION = '74746366'

/** Reads a font file by what is in it; refuses one that may not be embedded, or that no subset can be made of. */
export async function readFont(
  shown: string,
  { bytes: sent, texts }: { readonly bytes: Uint8Array; readonly texts: readonly string[] },
): Promise<ReadFont> {
  const bytes = Buffer.from(sent)
  const magic = bytes.toString('hex', 0, 4)
  if (magic === COLLECTION)
    throw new Problem('fontWrong', {
      name: shown,
      fault: 'it is a collection of several fonts, which browsers do not take. Ask for each font as a file of its own',
    })
  const type = FORMATS.get(magic)
  if (!type) throw new Problem('fontWrong', { name: shown, fault: 'it is no font file. Choose a WOFF2, WOFF, TTF or OTF' })
  if (isCutShort(bytes, type)) throw damaged(shown, new Error('it is shorter than its header says'))
  const font = open(shown, bytes)
  const embedding = readEmbedding(permissionOf(font))
  if (!embedding.allowed) throw new Problem('fontForbidden', { name: shown, advice: embedding.words })
  if (!embedding.whole) await provesSubset(shown, bytes, texts)
  const missing = missingLetters(texts, (point) => font.hasGlyphForCodePoint(point))
  const lacks =
    missing.length === 0
      ? []
      : [
          `It lacks ${missing.length === 1 ? 'a letter' : `${missing.length} letters`} that this site uses: ` +
            `${missing.slice(0, 40).join(' ')}${missing.length > 40 ? ' …' : ''}. They are drawn in another font; ask for ` +
            'the family’s fuller version.',
        ]
  return { font: describe(font, type, embedding.whole), notes: [embedding.words, ...lacks] }
}

/**
 * Whether a file ends before what its header says is in it: its whole length (WOFF 1.0, 3; WOFF2, 4.1), or where its last table ends
 * (OpenType 1.9.1, “Table directory”). Decoders read on behind the end, where anything may lie.
 */
function isCutShort(bytes: Buffer, type: 'woff2' | 'woff' | 'ttf' | 'otf'): boolean {
  if (bytes.length < 44) return true
  if (type === 'woff2' || type === 'woff') return bytes.readUInt32BE(8) !== bytes.length
  const tables = Array.from({ length: bytes.readUInt16BE(4) }, (_, i) => 12 + 16 * i)
  return tables.some((at) => at + 16 > bytes.length || bytes.readUInt32BE(at + 8) + bytes.readUInt32BE(at + 12) > bytes.length)
}

function open(name: string, bytes: Buffer): fontkit.Font {
  try {
    const font = fontkit.create(bytes)
    // A damaged file often fails only where its letters are read.
    if (!(font.unitsPerEm > 0) || font.characterSet.length === 0 || font.layout(SAMPLE).glyphs.some((glyph) => glyph.path === undefined))
      throw new Error('no letters')
    return font
  } catch (error) {
    throw damaged(name, error)
  }
}

function damaged(name: string, cause: unknown): Problem {
  const fault = 'it is damaged: its letters cannot be read. Ask for it again; it may have been cut short on its way'
  return new Problem('fontWrong', { name, fault }, { cause })
}

/** What is accepted can be published: the same is made of it as then. */
async function provesSubset(name: string, bytes: Buffer, texts: readonly string[]): Promise<void> {
  try {
    fontkit.create(
      await cutDown(bytes, { letters: SAMPLE + texts.join('').slice(0, 20_000), features: fontFeatures('', new Set()), weights: null }),
    )
  } catch (error) {
    throw damaged(name, error)
  }
}

/** A part of one of the client's fonts, as WOFF2. */
export async function subsetOwn(name: string, { bytes, ...part }: { readonly bytes: Uint8Array } & Part): Promise<Uint8Array> {
  try {
    return await cutDown(Buffer.from(bytes), part)
  } catch (error) {
    throw damaged(name, error)
  }
}

const SAMPLE = 'All human beings are born free and equal in dignity and rights.'

type Os2 = {
  readonly fsType?: {
    readonly noEmbedding: boolean
    readonly viewOnly: boolean
    readonly editable: boolean
    readonly noSubsetting: boolean
    readonly bitmapOnly: boolean
  }
  readonly usWeightClass?: number
  readonly fsSelection?: { readonly italic: boolean }
}
const os2 = (font: fontkit.Font): Os2 => (font as unknown as Record<string, Os2 | undefined>)['OS/2'] ?? {}

/** The file's fsType as the number it was written as. */
function permissionOf(font: fontkit.Font): number {
  const { fsType } = os2(font)
  if (!fsType) return 0
  return (
    (fsType.noEmbedding ? 2 : 0) |
    (fsType.viewOnly ? 4 : 0) |
    (fsType.editable ? 8 : 0) |
    (fsType.noSubsetting ? 0x100 : 0) |
    (fsType.bitmapOnly ? 0x200 : 0)
  )
}

/** Where a file names no family of its own, the name that older programs read carries the style: “Bitter Thin”. */
const STYLES =
  'thin|hairline|extra ?light|ultra ?light|light|book|regular|medium|semi ?bold|demi ?bold|bold|extra ?bold|ultra ?bold|' +
  'black|heavy|italic|oblique|variable|vf'
const STYLE_WORDS = new RegExp(`( (${STYLES}))+$`, 'i')

function describe(font: fontkit.Font, file: string, whole: boolean): OwnFont {
  const name = (font.getName('preferredFamily') ?? font.familyName ?? 'Own font')
    .slice(0, 100)
    .replaceAll(/["\\<>;{}\n]/g, '')
    .replace(STYLE_WORDS, '')
  const axis = font.variationAxes.wght
  const { usWeightClass = 400, fsSelection } = os2(font)
  const part = (units: number | undefined, otherwise: number): number =>
    Math.min(2, Math.max(0, Math.round(((units ?? 0) > 0 ? (units ?? 0) / font.unitsPerEm : otherwise) * 1000) / 1000))
  return {
    family: `own-${slugify(name) || 'font'}`.slice(0, 80).replace(/-+$/, ''),
    name,
    file,
    weight: axis ? `${Math.round(axis.min)} ${Math.round(axis.max)}` : String(Math.min(1000, Math.max(1, usWeightClass))),
    style: fsSelection?.italic || font.italicAngle !== 0 ? 'italic' : 'normal',
    ...(whole ? { whole } : {}),
    x: part(font.xHeight, 0.5),
    cap: part(font.capHeight, 0.7),
    width: part(font.layout(SAMPLE).advanceWidth / SAMPLE.length, 0.45),
  }
}
