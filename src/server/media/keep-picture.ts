import type { AssetInfo } from '../../core/image'
import { keepMedia } from '../files/media-file'
import type { ReadPicture } from '../readers/read-outside'
import { insertAsset } from '../store/assets'
import { db } from '../store/db'

/** Keeps a picture that was read, or made from another, under its hash. */
export function keepPicture(job: string | null, name: string, { bytes, type, ...about }: ReadPicture): AssetInfo {
  // Nothing is written beside a database that cannot be used.
  db()
  const { hash } = keepMedia(bytes, (h) => `${h}.${type}`)
  const asset: AssetInfo = {
    id: hash.slice(0, 20),
    hash,
    name: name.slice(0, 40),
    bytes: bytes.length,
    vector: type === 'svg',
    ...about,
  }
  insertAsset(job, asset, type)
  return asset
}
