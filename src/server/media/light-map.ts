import sharp from 'sharp'
import { LIGHT_MAP_PX, makeLightMap } from '../../core/image'

/** How dark and light a picture is, part by part, from the bytes of its file. */
export async function readLightMap(bytes: Buffer): Promise<string> {
  const { data, info } = await sharp(bytes)
    .autoOrient()
    .flatten({ background: '#808080' })
    .resize(LIGHT_MAP_PX, null, { withoutEnlargement: true })
    .toColourspace('srgb')
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  return makeLightMap({ width: info.width, height: info.height, data })
}
