import type { Size } from './crop'

/** A logo as it was sent, and its pixels at a small size: RGBA, four bytes each. */
export type LogoLook = Size & {
  readonly bytes: number
  readonly vector: boolean
  readonly alpha: boolean
  readonly pixels: Uint8ClampedArray
}
/** `needsOther` is what is done once there is a version for other surfaces. */
export type LogoAdvice = {
  readonly tone: 'light' | 'dark' | 'mixed'
  readonly advice: readonly string[]
  readonly needsOther: readonly string[]
}

/** A logo is shown about this high; a screen with two pixels to a px needs twice that. Common practice, no source. */
const SHARP_HEIGHT = 120
/** Common practice, no source: a PNG logo of more than this is usually a photo-sized export. */
const HEAVY_BYTES = 200_000
const WIDE = 6

/** What a logo of one tone needs; said until there is another version of it. */
const ONE_TONE = {
  light: 'It is light all over: on a light header it cannot be seen. It needs a dark version, or a header on the ink tone.',
  dark: 'It is dark all over: on a dark header it cannot be seen. It needs a light version too.',
  mixed: null,
} as const

/** What is worth saying of a logo file while it is being chosen. */
export function adviseLogo(logo: LogoLook): LogoAdvice {
  const { opaque, light, dark } = countPixels(logo.pixels)
  const tone = opaque > 0 && light / opaque > 0.85 ? 'light' : opaque > 0 && dark / opaque > 0.85 ? 'dark' : 'mixed'
  const isBoxed = !logo.vector && opaque === logo.pixels.length / 4
  const ratio = logo.width / logo.height
  const advice = [
    isBoxed && tone !== 'mixed' ? 'It is one flat box: no transparent ground. Ask for a PNG with a transparent ground, or an SVG.' : null,
    isBoxed && tone === 'mixed'
      ? 'Its ground is not transparent, so it stands in a box on coloured surfaces. Ask for a transparent PNG or an SVG.'
      : null,
    !logo.vector && logo.height < SHARP_HEIGHT
      ? `Only ${logo.width} × ${logo.height} px: it will look soft on sharp screens. Ask for one at least ` +
        `${SHARP_HEIGHT} px high, or an SVG.`
      : null,
    !logo.vector && logo.bytes > HEAVY_BYTES
      ? `${Math.round(logo.bytes / 1000)} kB is heavy for a logo; it is made smaller when published.`
      : null,
    ratio > WIDE ? `It is ${Math.round(ratio)} times wider than high, so its letters come out small. Ask for a stacked version.` : null,
    opaque === 0 ? 'Nothing can be seen in it: every pixel is transparent.' : null,
  ]
  const needsOther = isBoxed ? null : ONE_TONE[tone]
  return { tone, advice: advice.filter((a) => a !== null), needsOther: needsOther === null ? [] : [needsOther] }
}

/** Pixels that can be seen, and of these the light and the dark ones, by luma (ITU-R BT.709 weights). */
function countPixels(pixels: Uint8ClampedArray): { opaque: number; light: number; dark: number } {
  let [opaque, light, dark] = [0, 0, 0]
  for (let i = 0; i < pixels.length; i += 4) {
    if ((pixels[i + 3] ?? 0) < 128) continue
    const luma = 0.2126 * (pixels[i] ?? 0) + 0.7152 * (pixels[i + 1] ?? 0) + 0.0722 * (pixels[i + 2] ?? 0)
    opaque++
    if (luma > 215) light++
    if (luma < 70) dark++
  }
  return { opaque, light, dark }
}
