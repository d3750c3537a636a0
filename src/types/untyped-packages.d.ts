declare module 'tr46' {
  type Options = {
    checkBidi?: boolean; checkHyphens?: boolean; checkJoiners?: boolean; useSTD3ASCIIRules?: boolean
    transitionalProcessing?: boolean; verifyDNSLength?: boolean; ignoreInvalidPunycode?: boolean
  }
  export function toASCII(domain: string, options?: Options): string | null
  export function toUnicode(domain: string, options?: Options): { domain: string; error: boolean }
}

declare module 'subset-font' {
  export default function subsetFont(font: Buffer, letters: string, options?: { targetFormat?: 'woff2' | 'woff' | 'sfnt' }): Promise<Buffer>
}

declare module 'fontkit' {
  export type Glyph = { id: number; bbox: { minX: number; maxX: number; minY: number; maxY: number }; path: { toSVG(): string } }
  export type Font = { glyphsForString(text: string): Glyph[] }
  export function openSync(file: string): Font
}
