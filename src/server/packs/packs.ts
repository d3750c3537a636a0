import { existsSync, readFileSync } from 'node:fs'
import type { AssetTable } from '../../core/image'
import { templateSections, type Pack, type Template, type TemplateLibrary } from '../../core/pack'
import { dataFolder, projectFolder } from '../files/data-folder'
import { forget, kept } from '../files/kept'
import { Problem } from '../problems'
import { readOutside } from '../readers/read-outside'
import { broughtFolders, readAll, readBrought } from './library'

const here = (): ReturnType<typeof readAll> => kept('packs', () => readAll(dataFolder('packs')))

/** All templates and designs: the shipped ones, and those brought in. */
export function pack(): Pack {
  return here().library.pack
}

/** The pictures that templates bring, by asset id (`tallow/front-door.jpg`). */
export function packAssets(): AssetTable {
  return here().library.assets
}

/** Both, as one thing to be fetched. */
export function library(): TemplateLibrary {
  return here().library
}

/** A name for the packs as they are: another pack brought in, or one changed, gives another. */
export function libraryVersion(): string {
  return here().hash.slice(0, 16)
}

export function forgetPacks(): void {
  forget('packs')
}

/**
 * Has packs that an earlier version parsed, or whose parsed form is torn, parsed anew. One that is not sound any more is left out, and
 * told of.
 */
export async function parseStalePacks(): Promise<void> {
  for (const folder of broughtFolders(dataFolder('packs')).filter((one) => readBrought(one) === null)) {
    const name = folder.split('/').at(-1) ?? ''
    try {
      await readOutside('packFolder', name, { folder, packs: dataFolder('packs') })
    } catch (error) {
      // It was sound when it was brought in; if the format has moved on since, the others must still work.
      console.error(`The pack “${name}” cannot be used.`, error instanceof Problem ? error.faults : error)
    }
  }
  forgetPacks()
}

/** The folder that a template and its pictures lie in: among the shipped ones, or in a pack that was brought in. */
function folderOf(template: string): string {
  const brought = broughtFolders(dataFolder('packs')).find((folder) => existsSync(`${folder}/${template}/template.json`))
  return brought ?? projectFolder('templates')
}

/** The files of a template as they lie on the disk, by their path in a pack: its own, and those of the designs it uses. */
export function packFilesOf(template: Template): Map<string, Buffer> {
  const files = new Map<string, Buffer>()
  const folder = folderOf(template.id)
  const homes = [folder, projectFolder('templates'), ...broughtFolders(dataFolder('packs'))]
  for (const file of ['template.json', 'template.css', ...Object.keys(template.media).map((name) => `media/${name}`)])
    files.set(`${template.id}/${file}`, readFileSync(`${folder}/${template.id}/${file}`))
  for (const { kind, design } of [...templateSections(template), template.notFound]) {
    for (const type of ['html', 'css']) {
      const path = `designs/${kind}/${design}.${type}`
      const home = homes.find((one) => existsSync(`${one}/${path}`))
      if (home) files.set(path, readFileSync(`${home}/${path}`))
    }
  }
  return files
}

/** Whether a design came with Instant Fit, rather than with a pack that was brought in. */
export function isShippedDesign(kind: string, design: string): boolean {
  return existsSync(projectFolder('templates', 'designs', kind, `${design}.html`))
}

export function packMediaFile(asset: string): string {
  const [template = '', file = ''] = asset.split('/')
  return `${folderOf(template)}/${template}/media/${file}`
}
