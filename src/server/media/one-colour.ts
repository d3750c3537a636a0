import type { AssetInfo } from '../../core/image'
import { Problem } from '../problems'
import { readOutside } from '../readers/read-outside'
import { readAsset } from '../store/assets'
import { keepPicture } from './keep-picture'

/** A version of a logo in one colour, kept as a picture of its own: an SVG stays a drawing, anything else becomes a transparent PNG. */
export async function makeOneColour(job: string | null, id: string, colour: string): Promise<AssetInfo> {
  const found = readAsset(id)
  if (!found) throw new Problem('requestWrong', { fault: 'there is no such logo' })
  const { asset, bytes } = found
  const { width, height, alpha, focus, vector } = asset
  const logo = { bytes, width, height, alpha, focus, vector, colour }
  return keepPicture(job, `${asset.name}-${colour.slice(1)}`, await readOutside('oneColour', asset.name, logo))
}
