import type { StoredLogo } from '../../core/replies'
import { readOutside } from '../readers/read-outside'
import { keepPicture } from './keep-picture'
import { checkUpload, pictureName } from './store-upload'

/** A logo as it was kept, ready for use, and what was done to it or is worth knowing of it. */
/** Keeps a logo that was sent, without its empty margins; the file as it was sent is kept too. */
export async function storeLogo(job: string | null, name: string, bytes: Buffer): Promise<StoredLogo> {
  const { sent, trimmed, notes } = await readOutside('logo', checkUpload(name, bytes), { bytes })
  const asset = keepPicture(job, pictureName(name), sent)
  return { asset: trimmed ? keepPicture(job, asset.name, trimmed) : asset, notes }
}
