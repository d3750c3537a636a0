import { findPalette, type PaletteColour } from '../core/image'

/** The longest side that a picture is looked at with, in px: shares of colours do not need more. */
const LOOK_PX = 1200

export type PaletteReply =
  | { readonly id: number; readonly ok: true; readonly colours: readonly PaletteColour[]; readonly spentMs: number }
  | { readonly id: number; readonly ok: false }

/** Finds the colours of a picture off the main thread: a file in, the few that matter out. */
self.addEventListener('message', (event: MessageEvent<{ readonly id: number; readonly file: Blob | ImageBitmap }>) => {
  void answer(event.data.id, event.data.file).then((reply) => self.postMessage(reply, { transfer: [] }))
})

async function answer(id: number, file: Blob | ImageBitmap): Promise<PaletteReply> {
  try {
    const from = performance.now()
    const bitmap = file instanceof ImageBitmap ? file : await createImageBitmap(file)
    const scale = Math.min(1, LOOK_PX / Math.max(bitmap.width, bitmap.height))
    const canvas = new OffscreenCanvas(Math.max(1, Math.round(bitmap.width * scale)), Math.max(1, Math.round(bitmap.height * scale)))
    const context = canvas.getContext('2d')
    if (!context) return { id, ok: false }
    // Colours in between would be nobody's: each pixel is one of the picture's own.
    context.imageSmoothingEnabled = false
    context.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
    const colours = findPalette(context.getImageData(0, 0, canvas.width, canvas.height).data)
    bitmap.close()
    return { id, ok: true, colours, spentMs: performance.now() - from }
  } catch {
    // Not a picture, or a damaged one: whoever asked says so.
    return { id, ok: false }
  }
}
