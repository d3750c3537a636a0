import { readdirSync, readFileSync } from 'node:fs'
import sharp from 'sharp'
import type { AssetInfo, AssetTable } from '../../core/image'
import { parsePack, placeInPack, type Pack, type PackFault, type PackFiles, type TemplateLibrary } from '../../core/pack'
import { hashOf } from '../files/blobs'
import { readLightMap } from '../media/light-map'

/** Parses the packs of a folder and looks at their pictures. `here` is what is there already: its designs may be used. */
export async function parseFolder(
  folder: string,
  here: TemplateLibrary,
): Promise<{ readonly library: TemplateLibrary; readonly faults: readonly PackFault[] }> {
  const { pack, faults } = parsePack(readFiles(folder), here.pack, new Set(Object.keys(here.assets)))
  return { library: { pack, assets: faults.length > 0 ? {} : await readPictures(folder, pack) }, faults }
}

function readFiles(folder: string): PackFiles {
  const texts = new Map<string, string>()
  const media = new Set<string>()
  for (const entry of readdirSync(folder, { recursive: true, withFileTypes: true })) {
    const path = `${entry.parentPath}/${entry.name}`.slice(folder.length + 1)
    const place = entry.isFile() ? placeInPack(path) : null
    if (place === 'media') media.add(path)
    else if (place) texts.set(path, readFileSync(`${folder}/${path}`, 'utf8'))
  }
  return { texts, media }
}

/** The pictures that templates name, with what is known of each. */
async function readPictures(folder: string, { templates }: Pack): Promise<AssetTable> {
  const found = Object.values(templates).flatMap((template) =>
    Object.entries(template.media).map(async ([file, { focus }]): Promise<AssetInfo> => {
      const bytes = readFileSync(`${folder}/${template.id}/media/${file}`)
      const { width, height } = await sharp(bytes).metadata()
      const vector = file.endsWith('.svg')
      const about = { name: file.replace(/\.\w+$/, ''), width, height, bytes: bytes.length, vector, alpha: false, focus }
      return { id: `${template.id}/${file}`, hash: hashOf(bytes), ...about, ...(vector ? {} : { light: await readLightMap(bytes) }) }
    }),
  )
  return Object.fromEntries((await Promise.all(found)).map((asset) => [asset.id, asset]))
}
