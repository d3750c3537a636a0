import type { AssetInfo } from '../../core/image'
import { keepMedia } from '../files/media-file'
import { insertAsset } from '../store/assets'

type Made = Pick<AssetInfo, 'name' | 'width' | 'height' | 'alpha' | 'focus'> & { readonly bytes: Buffer; readonly type: 'svg' | 'png' }

/** Keeps a picture that was made from another, under its hash, as a picture of its own. */
export function keepMade(job: string | null, { bytes, type, ...about }: Made): AssetInfo {
  const { hash } = keepMedia(bytes, (h) => `${h}.${type}`)
  const asset: AssetInfo = {
    id: hash.slice(0, 20),
    hash,
    bytes: bytes.length,
    vector: type === 'svg',
    ...about,
    name: about.name.slice(0, 40),
  }
  insertAsset(job, asset, type)
  return asset
}
