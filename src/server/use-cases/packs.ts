import type { AssetTable } from '../../core/image'
import type { Pack, TemplateLibrary } from '../../core/pack'
import type { ImportedPack } from '../../core/replies'
import { Problem } from '../problems'
import { readBytes } from '../http/read-bytes'
import { bringInPack, MAX_PACK_BYTES, takeOutPack } from '../packs/pack-zip'
import { library, libraryVersion, pack, packAssets } from '../packs/packs'

/** Every template and design that is here. */
export function allPacks(): Pack {
  return pack()
}

export function allPackAssets(): AssetTable {
  return packAssets()
}

/** Everything that is here, by the name that it has as it is now. */
export function templateLibrary(version: string): TemplateLibrary {
  if (version !== libraryVersion()) throw new Problem('libraryGone')
  return library()
}

/** A pack brought in: the zip is the request's body, its name in the query. Tells the templates that came with it. */
export async function bringPackIn(request: Request, query: URLSearchParams): Promise<ImportedPack> {
  const name = query.get('name') ?? 'pack.zip'
  return { templates: await bringInPack(name, await readBytes(request, name, MAX_PACK_BYTES)) }
}

/** A template as a zip. */
export function takePackOut(template: string): Uint8Array<ArrayBuffer> {
  return new Uint8Array(takeOutPack(template))
}
