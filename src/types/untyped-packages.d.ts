declare module 'tr46' {
  type Options = {
    checkBidi?: boolean
    checkHyphens?: boolean
    checkJoiners?: boolean
    useSTD3ASCIIRules?: boolean
    transitionalProcessing?: boolean
    verifyDNSLength?: boolean
    ignoreInvalidPunycode?: boolean
  }
  export function toASCII(domain: string, options?: Options): string | null
  export function toUnicode(domain: string, options?: Options): { domain: string; error: boolean }
}

declare module 'subset-font' {
  /** `keepFeatures` are OpenType tags; `noHinting` leaves out what only fits letters to coarse pixels. */
  export type SubsetOptions = {
    readonly targetFormat?: 'woff2' | 'woff' | 'sfnt'
    readonly keepFeatures?: readonly string[]
    readonly variationAxes?: Readonly<Record<string, number | { readonly min: number; readonly max: number }>>
    readonly noHinting?: boolean
  }
  export default function subsetFont(font: Buffer, letters: string, options?: SubsetOptions): Promise<Buffer>
}

declare module 'hyphen/*' {
  const patterns: { hyphenateSync: (text: string, options?: { hyphenChar?: string; minWordLength?: number }) => string }
  export default patterns
}

declare module 'linebreak' {
  export default class LineBreaker {
    constructor(text: string)
    nextBreak(): { readonly position: number; readonly required?: boolean } | null
  }
}

declare module 'fontkit' {
  export type Glyph = {
    id: number
    advanceWidth: number
    bbox: { minX: number; maxX: number; minY: number; maxY: number }
    path: { toSVG(): string } | undefined
  }
  export type Font = {
    unitsPerEm: number
    xHeight: number
    capHeight: number
    italicAngle: number
    familyName: string | null
    characterSet: number[]
    variationAxes: Partial<Record<string, { min: number; max: number; default: number }>>
    layout(text: string): { glyphs: Glyph[]; advanceWidth: number }
    hasGlyphForCodePoint(point: number): boolean
    getName(key: string): string | null
  }
  export function openSync(path: string): Font
  export function create(bytes: Buffer): Font
}
declare module 's3rver' {
  import type { RequestListener } from 'node:http'

  type Options = {
    readonly directory: string
    readonly silent: boolean
    readonly vhostBuckets: boolean
    readonly configureBuckets: readonly { readonly name: string; readonly configs: readonly string[] }[]
  }
  export default class S3rver {
    constructor(options: Options)
    configureBuckets(): Promise<unknown>
    callback(): RequestListener
  }
}
