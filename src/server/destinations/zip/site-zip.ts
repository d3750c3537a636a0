import { unzipSync, zipSync } from 'fflate'
import * as v from 'valibot'

/** Whose a zip is and which release is in it; it stands in the zip's own comment, so that no file of ours lies among the site's. */
const saidSchema = v.strictObject({ owner: v.string(), release: v.nullable(v.string()) })
export type Said = v.InferOutput<typeof saidSchema>
export type SiteZip = { readonly said: Said; readonly files: ReadonlyMap<string, Uint8Array> }

/** Where the list of files ends: APPNOTE 6.3 (PKWARE), 4.3.16; 22 bytes and a comment. */
const END = 22
const END_MARK = 0x06054b50
/** Such a day as any: the same files give the same zip. */
const DAY = new Date('2000-01-01T00:00:00')

/** A site as a zip. */
export function writeSiteZip({ said, files }: SiteZip): Buffer {
  const inOrder = [...files].sort(([a], [b]) => (a < b ? -1 : 1))
  const zip = Buffer.from(zipSync(Object.fromEntries(inOrder), { mtime: DAY, level: 6 }))
  const comment = Buffer.from(JSON.stringify(said))
  zip.writeUInt16LE(comment.length, zip.length - 2)
  return Buffer.concat([zip, comment])
}

/** What is in a zip of ours; null where it is none of ours, or damaged. */
export function readSiteZip(zip: Buffer): SiteZip | null {
  const said = readComment(zip)
  if (!said) return null
  try {
    return { said, files: new Map(Object.entries(unzipSync(zip))) }
  } catch {
    return null
  }
}

function readComment(zip: Buffer): Said | null {
  for (let at = zip.length - END; at >= Math.max(0, zip.length - END - 0xffff); at--) {
    if (zip.readUInt32LE(at) !== END_MARK || zip.readUInt16LE(at + END - 2) !== zip.length - at - END) continue
    try {
      return v.parse(saidSchema, JSON.parse(zip.toString('utf8', at + END)))
    } catch {
      return null
    }
  }
  return null
}
