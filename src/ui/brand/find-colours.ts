import type { PaletteColour } from '@/core/image'
import type { PaletteReply } from '@/workers/palette'

let worker: Worker | null = null
let asked = 0

/** The colours of a picture, found in a worker; null where it is no picture that the browser can read. */
export function findColours(file: Blob | ImageBitmap): Promise<{ readonly colours: readonly PaletteColour[]; readonly spentMs: number } | null> {
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
    const scale = 800 / Math.max(width, height)
    return await createImageBitmap(image, { resizeWidth: Math.max(1, Math.round(width * scale)), resizeHeight: Math.max(1, Math.round(height * scale)) })
  } catch {
    // The picture is gone or cannot be drawn.
    return null
  }
}
