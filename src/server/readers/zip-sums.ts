import { crc32 } from 'node:zlib'

/**
 * The names of a zip's files whose bytes are not those that were packed: their sum is not the one in the list at its end. Sources: APPNOTE
 * 6.3 (PKWARE), 4.3.12 and 4.3.16; the sum is CRC-32. Files that the list does not name are not told of.
 */
export function wrongSums(zip: Uint8Array, files: ReadonlyMap<string, Uint8Array>): readonly string[] {
  const view = new DataView(zip.buffer, zip.byteOffset, zip.byteLength)
  const wrong: string[] = []
  let at = listStart(view)
  while (at !== null && at + 46 <= zip.length && view.getUint32(at, true) === 0x02014b50) {
    const [nameLength, extra, comment] = [28, 30, 32].map((part) => view.getUint16(at! + part, true)) as [number, number, number]
    const name = new TextDecoder().decode(zip.subarray(at + 46, at + 46 + nameLength))
    const content = files.get(name)
    if (content && crc32(content) !== view.getUint32(at + 16, true)) wrong.push(name)
    at += 46 + nameLength + extra + comment
  }
  return wrong
}

/** Where the list of files begins: the record at a zip's end says so, before a comment of 65,535 bytes at most. */
function listStart(view: DataView): number | null {
  for (let at = view.byteLength - 22; at >= Math.max(0, view.byteLength - 22 - 0xffff); at--)
    if (view.getUint32(at, true) === 0x06054b50) return view.getUint32(at + 16, true)
  return null
}
