import { readBlob, isBlobKept } from '../files/blobs'
import { zipStream, type ZippedFile } from '../files/zip-stream'
import { Problem } from '../problems'
import { getRelease, type Release } from '../store/releases'

/**
 * The files of a release as one zip, as they are published: pages link to each other by their own places, so they work in any folder of
 * any server. Each file is read when it is its turn; the same release gives the same bytes.
 */
export function downloadRelease(job: string, id: string): { readonly name: string; readonly zip: ReadableStream<Uint8Array> } {
  const release = getRelease(job, id)
  const { address, number, builtAt } = release
  return { name: `${address}-${number ?? id}.zip`, zip: zipStream(filesOf(release), builtAt) }
}

/** Each file of a release, in the order of their names, all of which are here; under a folder where one is named. */
export function filesOf({ manifest }: Pick<Release, 'manifest'>, folder = ''): readonly ZippedFile[] {
  const files = Object.entries(manifest).sort(([a], [b]) => (a < b ? -1 : 1))
  const gone = files.find(([, { hash }]) => !isBlobKept(hash))
  if (gone) throw new Problem('contentGone', { path: gone[0] })
  return files.map(([path, { hash }]) => ({
    path: folder + path,
    read: () => {
      const content = readBlob(hash)
      if (!content) throw new Problem('contentGone', { path })
      return content
    },
  }))
}
