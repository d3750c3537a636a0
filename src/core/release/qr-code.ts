import { create } from 'qrcode'

/** The light border that readers need around a code, in modules (ISO/IEC 18004, 5.3.8). */
const QUIET = 4

/** A QR code: how many modules its side has with its quiet zone, and which of them are dark, row by row. */
export type QrCode = { readonly side: number; readonly isDark: (x: number, y: number) => boolean }

/** The code of a text, which still reads with 15 % of it gone (ISO/IEC 18004, level M). Throws where a text is too long for any. */
export function qrCode(text: string): QrCode {
  const { modules } = create(text, { errorCorrectionLevel: 'M' })
  const { size } = modules
  const isIn = (at: number): boolean => at >= QUIET && at < size + QUIET
  return {
    side: size + 2 * QUIET,
    isDark: (x, y) => isIn(x) && isIn(y) && modules.get(y - QUIET, x - QUIET) === 1,
  }
}

/** The dark modules as an SVG path on a grid of one unit a module: a bar for each run in a row. */
export function qrPath({ side, isDark }: QrCode): string {
  const bars: string[] = []
  for (let y = 0; y < side; y++)
    for (let x = 0; x < side; x++) {
      if (!isDark(x, y)) continue
      const from = x
      while (isDark(x + 1, y)) x++
      bars.push(`M${from} ${y}h${x - from + 1}v1h-${x - from + 1}z`)
    }
  return bars.join('')
}

/** The code as an SVG file, dark on white, a millimetre a module. */
export function qrSvg(code: QrCode): string {
  const { side } = code
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${side}mm" height="${side}mm" viewBox="0 0 ${side} ${side}" ` +
    `shape-rendering="crispEdges"><path fill="#fff" d="M0 0h${side}v${side}H0z"/><path d="${qrPath(code)}"/></svg>\n`
  )
}
