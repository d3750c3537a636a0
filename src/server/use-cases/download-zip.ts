import { createReadStream, statSync } from 'node:fs'
import path from 'node:path'
import { Readable } from 'node:stream'
import { zipFile } from '../destinations/zip/settings'
import { connectionOf } from '../destinations/registry'
import { Problem } from '../problems'
import { keptDestination } from './destinations'

/** The zip that a destination of that kind has made last, with its name. */
export function downloadZip(job: string, id: string): { readonly name: string; readonly zip: ReadableStream<Uint8Array> } {
  const connection = connectionOf(keptDestination(job, id))
  if (connection.kind !== 'zip') throw new Problem('destinationGone')
  const file = zipFile(connection.settings)
  if (!statSync(file, { throwIfNoEntry: false })?.isFile()) throw new Problem('releaseGone')
  return { name: path.basename(file), zip: Readable.toWeb(createReadStream(file)) as ReadableStream<Uint8Array> }
}
