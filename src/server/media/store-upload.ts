import slugify from '@sindresorhus/slugify'
import type { AssetInfo } from '../../core/image'
import { Problem } from '../problems'
import { readOutside } from '../readers/read-outside'
import { keepPicture } from './keep-picture'

export const MAX_UPLOAD_BYTES = 40 * 1024 * 1024

/** Checks a file by what is in it, not by its name; keeps it upright and clean under its hash, and notes what is known of it. */
export async function storeUpload(job: string | null, name: string, bytes: Buffer): Promise<AssetInfo> {
  const shown = checkUpload(name, bytes)
  return keepPicture(job, pictureName(name), await readOutside('picture', shown, { bytes }))
}

/** What the person calls the file; refuses one that is empty or too large. */
export function checkUpload(name: string, bytes: Buffer): string {
  const shown = name.slice(0, 80) || 'the file'
  if (bytes.length === 0) throw new Problem('fileEmpty', { name: shown })
  if (bytes.length > MAX_UPLOAD_BYTES)
    throw new Problem('fileTooLarge', { name: shown, size: Math.round(bytes.length / 1024 / 1024), limit: MAX_UPLOAD_BYTES / 1024 / 1024 })
  return shown
}

/** What a picture's files are called on a published site. */
export function pictureName(name: string): string {
  return slugify(name.slice(0, 200).replace(/\.\w+$/, '')).slice(0, 40) || 'picture'
}
