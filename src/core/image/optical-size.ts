import type { Size } from './crop'

/** The size at which a logo fills an area (square px), so that a wide and a square one weigh the same; no larger than `most`. */
export function opticalSize(logo: Size, area: number, most: Size): Size {
  const ratio = logo.width / logo.height
  const height = Math.min(Math.sqrt(area / ratio), most.height, most.width / ratio)
  return { width: Math.round(height * ratio), height: Math.round(height) }
}
