import { Zip, ZipDeflate, ZipPassThrough } from 'fflate'
import { isBlobKept, readBlob } from '../files/blobs'
import { Problem } from '../http/problems'
import { getRelease } from '../store/releases'

/** What is as small as it gets already. */
const DENSE = /\.(?:webp|avif|jpe?g|png|woff2?|zip|pdf|mp[34])$/

/**
 * The files of a release as one zip, as they are published: pages link to each other by their own places, so they work in any folder of
 * any server. Each file is read when it is its turn; the same release gives the same bytes.
 */
export function takeRelease(job: string, id: string): { readonly name: string; readonly zip: ReadableStream<Uint8Array> } {
  const { address, number, builtAt, manifest } = getRelease(job, id)
  const files = Object.entries(manifest).sort(([a], [b]) => (a < b ? -1 : 1))
  const gone = files.find(([, { hash }]) => !isBlobKept(hash))
  if (gone) throw new Problem('contentGone', { path: gone[0] })
  let next = 0
  let zip: Zip
  const stream = new ReadableStream<Uint8Array>({
    start: (controller) => {
      zip = new Zip((error, part, isLast) => {
        if (error) return controller.error(error)
        if (part.length > 0) controller.enqueue(part)
        if (isLast) controller.close()
      })
    },
    pull: () => {
      const [path, { hash }] = files[next++] ?? ['', { hash: '' }]
      if (path === '') return zip.end()
      const file = DENSE.test(path) ? new ZipPassThrough(path) : new ZipDeflate(path, { level: 9 })
      file.mtime = builtAt
      zip.add(file)
      const content = readBlob(hash)
      if (!content) throw new Problem('contentGone', { path })
      file.push(content, true)
    },
  })
  return { name: `${address}-${number ?? id}.zip`, zip: stream }
}
