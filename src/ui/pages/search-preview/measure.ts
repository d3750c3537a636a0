import type { Measure } from '@/core/release'

/** The plain sans that lists of results are set in, or what stands in for it on this computer. */
export const OTHERS_FONT = 'Arial, Helvetica, "Liberation Sans", sans-serif'

let canvas: CanvasRenderingContext2D | null = null

/** How wide words are as others set them, in px. */
export const measureAsOthers: Measure = (words, sizePx) => {
  canvas ??= document.createElement('canvas').getContext('2d')
  if (!canvas) return words.length * sizePx * 0.5
  canvas.font = `${sizePx}px ${OTHERS_FONT}`
  return canvas.measureText(words).width
}
