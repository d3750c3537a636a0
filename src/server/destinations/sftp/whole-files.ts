import type { SFTPWrapper, Stats } from 'ssh2'
import { partsAlike, type Part } from '../../../core/release'
import { DestinationError } from '../destination'
import type { AlikeFile, FileRead, Known } from '../file-server/file-server'
import { END_OF_FILE, statusOf } from './errors'

/** The most that every server takes in one packet, in bytes, and how many of them are on their way at a time. */
const PACKET = 32_768
const AT_ONCE = 32
/** The most stretches that a file is put together of. */
const MOST_PARTS = 64

/** Writes a file whole; many packets are on their way at a time, so that a long line does not make it slow. Answers with its time. */
export async function writeAll(sftp: SFTPWrapper, path: string, content: Buffer, alive: () => void): Promise<number | null> {
  const handle = await opened(sftp, path, 'w')
  return written(sftp, handle, content.length, () => writeParts(sftp, handle, content, 0, alive))
}

/**
 * Writes a file whole, as far as it is worth it by taking over stretches of another that is there. Null where that is not so, or where the
 * other has changed: then nothing was written.
 */
export async function writeAlike(
  sftp: SFTPWrapper,
  path: string,
  content: Buffer,
  from: AlikeFile,
  alive: () => void,
): Promise<{ readonly at: number | null } | null> {
  const parts = partsAlike(from.content, content)
  const fresh = parts.reduce((sum, part) => sum + ('fresh' in part ? part.fresh.length : 0), 0)
  if (parts.length > MOST_PARTS || fresh > content.length / 2) return null
  const other = await opened(sftp, from.path, 'r')
  try {
    const now = await called<Stats>((done) => sftp.fstat(other, done))
    if (now.size !== from.content.length || timeOf(now) !== from.at) return null
    const handle = await opened(sftp, path, 'w')
    const put = (part: Part, to: number): Promise<void> =>
      'fresh' in part
        ? writeParts(sftp, handle, part.fresh, to, alive)
        : called<void>((done) => sftp.ext_copy_data(other, part.from, part.bytes, handle, to, (error) => done(error, undefined)))
    const at = await written(sftp, handle, content.length, async () => {
      const starts = parts.reduce<readonly number[]>((ends, part) => [...ends, (ends.at(-1) ?? 0) + bytesOf(part)], [0])
      // The last comes when all others are there: what is as long as it should be is whole.
      await Promise.all(parts.slice(0, -1).map((part, i) => put(part, starts[i] ?? 0)))
      await Promise.all(parts.slice(-1).map((part) => put(part, starts.at(-2) ?? 0)))
    })
    return { at }
  } finally {
    await closed(sftp, other)
  }
}

/** Reads a file whole; where it begins as what is known, it is taken for that. */
export async function readAll(sftp: SFTPWrapper, path: string, known: Known | null, alive: () => void): Promise<FileRead> {
  const handle = await opened(sftp, path, 'r')
  try {
    const [stats, head] = await Promise.all([called<Stats>((done) => sftp.fstat(handle, done)), known && headOf(sftp, handle, known.head)])
    const [at, { size }] = [timeOf(stats), stats]
    if (known && size === known.content.length && head?.equals(known.content.subarray(0, known.head))) return { content: known.content, at }
    const content = Buffer.alloc(size)
    await inParts(size, (from, length) =>
      called<void>((done) => sftp.read(handle, content, from, length, from, (error) => done(error, undefined))).then(alive),
    )
    return { content, at }
  } finally {
    await closed(sftp, handle)
  }
}

/** The first bytes of a file; none where it is empty. */
async function headOf(sftp: SFTPWrapper, handle: Buffer, bytes: number): Promise<Buffer> {
  const head = Buffer.alloc(bytes)
  const count = await called<number>((done) => sftp.read(handle, head, 0, bytes, 0, done)).catch((error: unknown) => {
    if (statusOf(error) === END_OF_FILE) return 0
    throw error
  })
  return head.subarray(0, count)
}

/** Lets go of a handle once it was written to; answers with when that was. What is not as long as it should be did not come whole. */
async function written(sftp: SFTPWrapper, handle: Buffer, bytes: number, write: () => Promise<void>): Promise<number | null> {
  let asked: Promise<Stats | null> = Promise.resolve(null)
  try {
    await write()
    asked = called<Stats>((done) => sftp.fstat(handle, done)).catch(() => null)
  } finally {
    await closed(sftp, handle)
  }
  const now = await asked
  if (now && now.size !== bytes) throw new DestinationError('refused', `only ${now.size} of ${bytes} bytes were kept`)
  return now && timeOf(now)
}

/** When a file was last changed, in whole seconds of the server's clock; null where it is not told. */
export function timeOf({ mtime }: Pick<Stats, 'mtime'>): number | null {
  return Number.isFinite(mtime) ? mtime : null
}

/** Writes bytes to their place in a file; the last packet goes when all others are there. */
async function writeParts(sftp: SFTPWrapper, handle: Buffer, content: Uint8Array, to: number, alive: () => void): Promise<void> {
  const bytes = Buffer.from(content.buffer, content.byteOffset, content.length)
  const put = (from: number, length: number): Promise<void> =>
    called<void>((done) => sftp.write(handle, bytes, from, length, to + from, (error) => done(error, undefined))).then(alive)
  const last = Math.floor(Math.max(0, bytes.length - 1) / PACKET) * PACKET
  await inParts(last, put)
  if (bytes.length > 0) await put(last, bytes.length - last)
}

function bytesOf(part: Part): number {
  return 'fresh' in part ? part.fresh.length : part.bytes
}

/** Does something with each part of so many bytes, many at a time; after the first that fails no other is begun. */
async function inParts(bytes: number, act: (from: number, length: number) => Promise<void>): Promise<void> {
  let next = 0
  const hand = async (): Promise<void> => {
    while (next < bytes) {
      const from = next
      next += PACKET
      await act(from, Math.min(PACKET, bytes - from)).catch((error: unknown) => {
        next = bytes
        throw error
      })
    }
  }
  await Promise.all(Array.from({ length: AT_ONCE }, hand))
}

function opened(sftp: SFTPWrapper, path: string, mode: 'r' | 'w'): Promise<Buffer> {
  return called((done) => sftp.open(path, mode, done))
}

/** Lets go of a handle; where the line broke it is let go already. */
export async function closed(sftp: SFTPWrapper, handle: Buffer): Promise<void> {
  await called<void>((done) => sftp.close(handle, (error) => done(error, undefined))).catch(() => undefined)
}

/** Asks once. */
export function called<T>(work: (done: (error: Error | null | undefined, result: T) => void) => void): Promise<T> {
  return new Promise((resolve, reject) => work((error, result) => (error ? reject(error) : resolve(result))))
}
