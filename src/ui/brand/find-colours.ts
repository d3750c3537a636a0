import type { PaletteColour } from '@/core/image'
import type { PaletteReply } from '@/workers/palette'

let worker: Worker | null = null
let asked = 0

/** The colours of a picture, found in a worker; null where it is no picture that the browser can read. */
export function findColours(
  file: Blob | ImageBitmap,
): Promise<{ readonly colours: readonly PaletteColour[]; readonly spentMs: number } | null> {
  worker ??= new Worker(new URL('../../workers/palette.ts', import.meta.url), { type: 'module' })
  const [mine, id] = [worker, ++asked]
  return new Promise((settle) => {
    const listen = (event: MessageEvent<PaletteReply>): void => {
      if (event.data.id !== id) return
      mine.removeEventListener('message', listen)
      settle(event.data.ok ? event.data : null)
    }
    mine.addEventListener('message', listen)
    mine.postMessage({ id, file }, file instanceof ImageBitmap ? [file] : [])
  })
}

/** A drawing as pixels: workers cannot read SVG themselves. */
export async function drawnBitmap(url: string, width: number, height: number): Promise<ImageBitmap | null> {
  const image = new Image()
  image.src = url
  try {
    await image.decode()
    // Drawn by way of a canvas: an SVG with a view box alone has no size of its own to make a bitmap of.
    const scale = 800 / Math.max(width, height)
    const canvas = document.createElement('canvas')
    canvas.width = Math.max(1, Math.round(width * scale))
    canvas.height = Math.max(1, Math.round(height * scale))
    canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height)
    return await createImageBitmap(canvas)
  } catch {
    // The picture is gone or cannot be drawn.
    return null
  }
}
