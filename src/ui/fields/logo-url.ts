import type { AssetInfo } from '@/core/image'

/** Where a logo is found while it is chosen, whole and no larger than it is looked at. */
export function logoUrl(asset: AssetInfo): string {
  return `/media/${encodeURIComponent(asset.id)}/whole/50-50/${Math.min(400, asset.width)}.${asset.vector ? 'svg' : 'webp'}`
}
