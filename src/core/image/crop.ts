export type Size = { readonly width: number; readonly height: number }
export type Box = Size & { readonly left: number; readonly top: number }

/** Width over height of a frame written `4:5`; null for a frame that takes the picture's own shape. */
export function parseRatio(text: string | null): number | null {
  const [, w, h] = /^(\d+(?:\.\d+)?):(\d+(?:\.\d+)?)$/.exec(text ?? '') ?? []
  return w && h && Number(w) > 0 && Number(h) > 0 ? Number(w) / Number(h) : null
}

/** The largest box of a ratio inside a picture (whole pixels), as near to centred on the focus (0–1) as the edges allow. */
export function cropToFocus(picture: Size, ratio: number | null, focus: { readonly x: number; readonly y: number }): Box {
  if (ratio === null) return { left: 0, top: 0, ...picture }
  const width = Math.max(1, Math.min(picture.width, Math.round(picture.height * ratio)))
  const height = Math.max(1, Math.min(picture.height, Math.round(width / ratio)))
  const start = (length: number, box: number, at: number): number => Math.round(Math.min(length - box, Math.max(0, at * length - box / 2)))
  return { left: start(picture.width, width, focus.x), top: start(picture.height, height, focus.y), width, height }
}
