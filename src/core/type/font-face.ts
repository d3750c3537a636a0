import { own } from '../own'
import { cssString } from './css-string'

/** A font file as the page's CSS names it: its address and the letters it holds. */
export type FontFace = {
  readonly family: string
  readonly url: string
  readonly weight: string
  readonly style: string
  readonly range?: string | undefined
}

const FORMATS: Readonly<Record<string, string>> = { woff2: 'woff2', woff: 'woff', ttf: 'truetype', otf: 'opentype' }

export function fontFaceCss(faces: readonly FontFace[]): string {
  return faces
    .map(
      (f) =>
        `@font-face{font-family:${cssString(f.family)};src:url(${cssString(f.url)}) ` +
        `format("${own(FORMATS, f.url.split('.').at(-1) ?? '') ?? 'woff2'}");font-weight:${f.weight};font-style:${f.style};` +
        `font-display:swap${f.range ? `;unicode-range:${f.range}` : ''}}`,
    )
    .join('\n')
}
