import { Zip, ZipDeflate, ZipPassThrough } from 'fflate'

/** What is as small as it gets already. */
const DENSE = /\.(?:webp|avif|jpe?g|png|gif|woff2?|zip|pdf|mp[34])$/

/** A file that goes into a zip; its bytes are read when it is its turn, and what cannot be read ends the zip with what is thrown. */
export type ZippedFile = { readonly path: string; readonly read: () => Uint8Array }

/** Files as one zip, made as it is taken, one file after another: the same files and day give the same bytes. */
export function zipStream(files: readonly ZippedFile[], at: Date | string): ReadableStream<Uint8Array> {
  let next = 0
  let zip: Zip
  return new ReadableStream<Uint8Array>({
    start: (controller) => {
      zip = new Zip((error, part, isLast) => {
        if (error) return controller.error(error)
        if (part.length > 0) controller.enqueue(part)
        if (isLast) controller.close()
      })
    },
    pull: () => {
      const one = files[next++]
      if (!one) return zip.end()
      const file = DENSE.test(one.path) ? new ZipPassThrough(one.path) : new ZipDeflate(one.path, { level: 9 })
      file.mtime = at
      zip.add(file)
      file.push(one.read(), true)
    },
  })
}
