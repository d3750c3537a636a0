import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import sharp from 'sharp'
import type { AssetInfo, AssetTable } from '../core/image'
import { checkPack, designKey, PackError, parseDesign, parseTemplate, type Design, type Pack, type PackFault, type Template } from '../core/pack'
import { projectFolder } from './data-folder'
import { kept } from './kept'

/** The shipped templates and designs, read and checked once; a fault in any of them stops the start with its file and line. */
export function pack(): Pack {
  return kept('pack', () => readPack(projectFolder('templates')))
}

export function readPack(folder: string): Pack {
  const faults: PackFault[] = []
  const designs: Record<string, Design> = {}
  for (const kind of readdirSync(`${folder}/designs`)) {
    for (const file of readdirSync(`${folder}/designs/${kind}`).filter((f) => f.endsWith('.html'))) {
      const name = file.slice(0, -5)
      const base = `${folder}/designs/${kind}/${name}`
      const parsed = parseDesign(kind, name, readFileSync(`${base}.html`, 'utf8'), readFileSync(`${base}.css`, 'utf8'))
      faults.push(...parsed.faults)
      if (parsed.design) designs[designKey(parsed.design.kind, name)] = parsed.design
    }
  }
  const templates: Record<string, Template> = {}
  for (const id of readdirSync(folder).filter((f) => f !== 'designs')) {
    const parsed = parseTemplate(id, JSON.parse(readFileSync(`${folder}/${id}/template.json`, 'utf8')), readFileSync(`${folder}/${id}/template.css`, 'utf8'))
    faults.push(...parsed.faults)
    if (parsed.template) templates[id] = parsed.template
  }
  const read: Pack = { templates, designs }
  const media = new Set(Object.keys(templates).flatMap((id) => readdirSync(`${folder}/${id}/media`).map((f) => `${id}/${f}`)))
  faults.push(...checkPack(read, media))
  if (faults.length > 0) throw new PackError(faults)
  return read
}

/** The pictures that templates bring, by asset id (`tallow/front-door.jpg`). */
export function packAssets(): Promise<AssetTable> {
  return kept('pack-assets', async () => {
    const found = Object.values(pack().templates).flatMap((template) => Object.entries(template.media).map(async ([file, media]): Promise<AssetInfo> => {
      const bytes = readFileSync(packMediaFile(`${template.id}/${file}`))
      const { width, height } = await sharp(bytes).metadata()
      return {
        id: `${template.id}/${file}`, hash: createHash('sha256').update(bytes).digest('hex'), name: file.replace(/\.\w+$/, ''),
        width, height, bytes: bytes.length, vector: file.endsWith('.svg'), alpha: false, focus: media.focus,
      }
    }))
    return Object.fromEntries((await Promise.all(found)).map((asset) => [asset.id, asset]))
  })
}

export function packMediaFile(asset: string): string {
  const [template = '', file = ''] = asset.split('/')
  return projectFolder('templates', template, 'media', file)
}
