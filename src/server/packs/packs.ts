import { existsSync, readdirSync, readFileSync } from 'node:fs'
import sharp from 'sharp'
import type { AssetInfo, AssetTable } from '../../core/image'
import { PackError, parsePack, placeInPack, templateSections, type Pack, type PackFiles, type Template } from '../../core/pack'
import { hashOf } from '../files/blobs'
import { dataFolder, projectFolder } from '../files/data-folder'
import { forget, kept } from '../files/kept'
import { readLightMap } from '../media/light-map'

/** All templates and designs: the shipped ones, and those brought in. A fault in a shipped one stops the start with its file and line. */
export function pack(): Pack {
  return kept('pack', () => {
    const shipped = readPack(projectFolder('templates'))
    return broughtFolders().reduce((all, folder) => {
      const files = readFiles(folder)
      const { pack: more, faults } = parsePack(files, all, mediaOf(all))
      // It was sound when it was brought in; if the format has moved on since, the others must still work.
      if (faults.length > 0) console.error(new PackError(faults))
      return faults.length > 0 ? all : { templates: { ...all.templates, ...more.templates }, designs: { ...all.designs, ...more.designs } }
    }, shipped)
  })
}

export function forgetPacks(): void {
  forget('pack')
  forget('pack-state')
  forget('pack-assets')
}

/** A name for the packs as they are: another pack brought in, or one changed, gives another. */
export function packState(): string {
  return kept('pack-state', () => hashOf(JSON.stringify(pack())).slice(0, 16))
}

export function readPack(folder: string): Pack {
  const { pack: read, faults } = parsePack(readFiles(folder))
  if (faults.length > 0) throw new PackError(faults)
  return read
}

/** Each pack that was brought in lies in a folder of its own. */
function broughtFolders(): string[] {
  const folder = dataFolder('packs')
  return existsSync(folder)
    ? readdirSync(folder)
        .filter((name) => !name.startsWith('.'))
        .sort()
        .map((name) => `${folder}/${name}`)
    : []
}

/** Asset ids of every picture that templates name. */
export function mediaOf({ templates }: Pack): Set<string> {
  return new Set(Object.values(templates).flatMap((t) => Object.keys(t.media).map((file) => `${t.id}/${file}`)))
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

/** The folder that a template and its pictures lie in: among the shipped ones, or in a pack that was brought in. */
function folderOf(template: string): string {
  const brought = broughtFolders().find((folder) => existsSync(`${folder}/${template}/template.json`))
  return brought ?? projectFolder('templates')
}

/** The files of a template as they lie on the disk, by their path in a pack: its own, and those of the designs it uses. */
export function packFilesOf(template: Template): Map<string, Buffer> {
  const files = new Map<string, Buffer>()
  const folder = folderOf(template.id)
  for (const file of ['template.json', 'template.css', ...Object.keys(template.media).map((name) => `media/${name}`)])
    files.set(`${template.id}/${file}`, readFileSync(`${folder}/${template.id}/${file}`))
  for (const { kind, design } of [...templateSections(template), template.notFound]) {
    for (const type of ['html', 'css']) {
      const path = `designs/${kind}/${design}.${type}`
      const home = [folder, projectFolder('templates'), ...broughtFolders()].find((f) => existsSync(`${f}/${path}`))
      if (home) files.set(path, readFileSync(`${home}/${path}`))
    }
  }
  return files
}

/** Whether a design came with Instant Fit, rather than with a pack that was brought in. */
export function isShippedDesign(kind: string, design: string): boolean {
  return existsSync(projectFolder('templates', 'designs', kind, `${design}.html`))
}

/** The pictures that templates bring, by asset id (`tallow/front-door.jpg`). */
export function packAssets(): Promise<AssetTable> {
  return kept('pack-assets', async () => {
    const found = Object.values(pack().templates).flatMap((template) =>
      Object.entries(template.media).map(async ([file, media]): Promise<AssetInfo> => {
        const bytes = readFileSync(packMediaFile(`${template.id}/${file}`))
        const { width, height } = await sharp(bytes).metadata()
        return {
          id: `${template.id}/${file}`,
          hash: hashOf(bytes),
          name: file.replace(/\.\w+$/, ''),
          width,
          height,
          bytes: bytes.length,
          vector: file.endsWith('.svg'),
          alpha: false,
          focus: media.focus,
          ...(file.endsWith('.svg') ? {} : { light: await readLightMap(bytes) }),
        }
      }),
    )
    return Object.fromEntries((await Promise.all(found)).map((asset) => [asset.id, asset]))
  })
}

export function packMediaFile(asset: string): string {
  const [template = '', file = ''] = asset.split('/')
  return `${folderOf(template)}/${template}/media/${file}`
}
