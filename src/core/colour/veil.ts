import { contrastRatio } from './contrast-ratio'

const channels = (hex: string): number[] => [1, 3, 5].map((at) => Number.parseInt(hex.slice(at, at + 2), 16))

/** One colour laid over another at an opacity from 0 to 1, as a browser blends it in sRGB. */
export function layOver(top: string, ground: string, opacity: number): string {
  const [a, b] = [channels(top), channels(ground)]
  return (
    '#' +
    a
      .map((value, i) =>
        Math.round(value * opacity + (b[i] ?? 0) * (1 - opacity))
          .toString(16)
          .padStart(2, '0'),
      )
      .join('')
  )
}

/**
 * The least opacity (0–1, in hundredths) at which `veil` over any picture lets `text` be read at the ratio `least`. A
 * picture's darkest and lightest pixels are the worst there can be, so what holds on black and on white holds everywhere.
 */
export function veilOpacity(
  veil: string,
  text: string,
  least: number,
  [dark, light]: readonly [string, string] = ['#000000', '#ffffff'],
): number {
  for (let percent = 0; percent < 100; percent++) {
    if ([dark, light].every((pixel) => contrastRatio(text, layOver(veil, pixel, percent / 100)) >= least)) return percent / 100
  }
  return 1
}
