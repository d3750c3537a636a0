import { lstat, mkdir, readdir, readFile, rm } from 'node:fs/promises'
import path from 'node:path'
import type { Manifest } from '../../../core/release'
import { hashOf } from '../../files/blobs'
import { writeWhole } from '../../files/write-whole'
import { DestinationError, isDestinationError, type Adapter } from '../destination'
import { toFolderError } from '../folder/errors'
import { readSiteZip, writeSiteZip, type SiteZip } from './site-zip'
import { zipFile, type ZipSettings } from './settings'

/**
 * A site as one zip on this machine, for whoever puts it up by hand. Content waits beside it until all of it has come; the new zip takes
 * the place of the last in one step.
 */
export function zipDestination(settings: ZipSettings): Adapter {
  const at = (): { readonly file: string; readonly waiting: string } => {
    const file = zipFile(settings)
    return { file, waiting: path.join(path.dirname(file), `.waiting-${path.basename(file)}`) }
  }
  const write = async (release: string, manifest: Manifest): Promise<void> => {
    const { file, waiting } = at()
    const zip = await openZip(file)
    if (!zip) throw new DestinationError('refused', 'the zip is gone')
    const here = await contents(at())
    const files = new Map(Object.entries(manifest).map(([name, { hash }]) => [name, contentOf(here, hash)]))
    writeWhole(file, writeSiteZip({ said: { ...zip.said, release }, files }))
    await rm(waiting, { recursive: true, force: true })
  }
  return {
    kind: 'zip',
    capabilities: {
      canSwitchAtomically: true,
      isSeenAtOnce: false,
      canRedirect: false,
      canLeadOn: false,
      givesAddresses: false,
      keepsContent: false,
    },
    originOf: (address) => address,
    find: () => does(async () => (await openZip(at().file))?.said ?? null),
    claim: (_, owner) =>
      does(async () => {
        const { file } = at()
        const zip = await openZip(file)
        if (zip && zip.said.owner !== owner) throw new DestinationError('taken', 'the zip is another site’s')
        if (!zip) writeWhole(file, writeSiteZip({ said: { owner, release: null }, files: new Map() }))
      }),
    deliver: (_, release, manifest) =>
      does(async () => {
        const here = await contents(at())
        const missing = [...new Set(Object.values(manifest).map(({ hash }) => hash))].filter((hash) => !here.has(hash))
        return {
          missing,
          send: (hash, content) => does(() => sendTo(at().waiting, hash, content)),
          activate: () => does(() => write(release, manifest)),
        }
      }),
    redirect: async () => undefined,
    files: null,
  }
}

async function sendTo(waiting: string, hash: string, content: Buffer): Promise<void> {
  if (hashOf(content) !== hash) throw new DestinationError('refused', 'the content is not what its hash says')
  await mkdir(waiting, { recursive: true })
  writeWhole(path.join(waiting, hash), content)
}

function contentOf(here: ReadonlyMap<string, Uint8Array>, hash: string): Uint8Array {
  const content = here.get(hash)
  if (!content) throw new DestinationError('refused', 'not all of it was sent')
  return content
}

/** The zip as it is; null where there is none. What is none of ours is not written over. */
async function openZip(file: string): Promise<SiteZip | null> {
  const stat = await lstat(file).catch((error: unknown) => {
    if (error instanceof Error && 'code' in error && error.code === 'ENOENT') return null
    throw error
  })
  if (!stat) return null
  const zip = stat.isFile() ? readSiteZip(await readFile(file)) : null
  if (!zip) throw new DestinationError('inTheWay', path.basename(file))
  return zip
}

/** Every content that is here, by its hash: in the zip, or waiting to come into it. */
async function contents({ file, waiting }: { readonly file: string; readonly waiting: string }): Promise<ReadonlyMap<string, Uint8Array>> {
  const found = new Map<string, Uint8Array>()
  for (const content of (await openZip(file))?.files.values() ?? []) found.set(hashOf(content), content)
  for (const name of await readdir(waiting).catch(() => [])) {
    const content = await readFile(path.join(waiting, name))
    if (hashOf(content) === name) found.set(name, content)
  }
  return found
}

async function does<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work()
  } catch (error) {
    throw isDestinationError(error) ? error : toFolderError(error)
  }
}
