import type { StoredFont } from '../../core/replies'
import { keepMedia } from '../files/media-file'
import { Problem } from '../problems'
import { readOutside } from '../readers/read-outside'

export const MAX_FONT_BYTES = 8 * 1024 * 1024

/** A font file that was kept, with what it permits and which of the client's letters it lacks. */
/** Checks a font file by what is in it and keeps it under its hash; refuses one that may not be embedded. */
export async function storeFont(name: string, bytes: Buffer, texts: readonly string[]): Promise<StoredFont> {
  const shown = name.slice(0, 80) || 'the file'
  if (bytes.length === 0) throw new Problem('fileEmpty', { name: shown })
  if (bytes.length > MAX_FONT_BYTES)
    throw new Problem('fontTooLarge', { name: shown, size: Math.round(bytes.length / 1024 / 1024), limit: MAX_FONT_BYTES / 1024 / 1024 })
  const { font, notes } = await readOutside('font', shown, { bytes, texts })
  const { name: file } = keepMedia(bytes, (hash) => `own-${hash.slice(0, 20)}.${font.file}`)
  return { font: { ...font, file }, notes }
}
