import { createHash, randomUUID } from 'node:crypto'
import { createReadStream, mkdirSync, readdirSync, statSync, type ReadStream } from 'node:fs'
import { open, readFile, rename, rm } from 'node:fs/promises'
import path from 'node:path'
import type { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { promisify } from 'node:util'
import { brotliCompress, constants, gzip } from 'node:zlib'
import type { ByteRange } from './conditional'
import { HostError } from './wire'

/** The codings that text is kept in beside itself (RFC 9110, 8.4.1). */
export type Coding = 'br' | 'gzip'
/** How the parts of one write are named until it is whole. */
const PART = '.part'

/**
 * Contents by their SHA-256, each in a file of its own; what is not whole is never seen under its name. Text is kept
 * compressed beside itself, made when it is first asked for.
 */
export class Contents {
  private readonly making = new Map<string, Promise<string>>()
  private usedBytes: number

  constructor(
    private readonly folder: string,
    private readonly quotaBytes: number | null,
  ) {
    mkdirSync(folder, { recursive: true })
    this.usedBytes = readdirSync(folder).reduce((sum, name) => sum + (sizeOf(path.join(folder, name)) ?? 0), 0)
  }

  /** Whether a content is here in its full length; what a crash cut short is to be sent again. */
  has(hash: string, bytes: number): boolean {
    return sizeOf(this.file(hash)) === bytes
  }

  /** Whether what lies here under a hash is that content, read to its end. */
  async isWhole(hash: string): Promise<boolean> {
    const sum = createHash('sha256')
    try {
      await pipeline(createReadStream(this.file(hash)), sum)
    } catch {
      return false
    }
    return sum.digest('hex') === hash
  }

  async forget(hash: string): Promise<void> {
    await rm(this.file(hash), { force: true })
  }

  /** Keeps what is sent under its hash, once it is all here, on the disk, and is what it claims to be. */
  async receive(hash: string, content: Readable, claimedBytes: number): Promise<void> {
    if (this.quotaBytes !== null && this.usedBytes + claimedBytes > this.quotaBytes) throw new HostError(507, 'no room left')
    const sum = createHash('sha256')
    let bytes = 0
    const hasRoom = (): boolean => this.quotaBytes === null || this.usedBytes + bytes <= this.quotaBytes
    async function* counted(): AsyncGenerator<Buffer> {
      for await (const chunk of content.iterator({ destroyOnReturn: false }) as AsyncIterable<Buffer | string>) {
        const part = Buffer.from(chunk)
        bytes += part.length
        sum.update(part)
        if (!hasRoom()) throw new HostError(507, 'no room left')
        yield part
      }
    }
    await this.write(this.file(hash), async (handle) => {
      for await (const part of counted()) await handle.appendFile(part)
      if (sum.digest('hex') !== hash) throw new HostError(422, 'the content is not what its hash says')
    })
    this.usedBytes += bytes
  }

  /** The file that holds a content in a coding; made once, however many ask for it at the same time. */
  squeezed(hash: string, coding: Coding): Promise<string> {
    const file = `${this.file(hash)}.${coding}`
    if (sizeOf(file) !== null) return Promise.resolve(file)
    let made = this.making.get(file)
    if (!made) {
      made = this.squeeze(hash, coding, file).finally(() => this.making.delete(file))
      this.making.set(file, made)
    }
    return made
  }

  private async squeeze(hash: string, coding: Coding, file: string): Promise<string> {
    const plain = await readFile(this.file(hash))
    const bytes =
      coding === 'br'
        ? await promisify(brotliCompress)(plain, {
            params: { [constants.BROTLI_PARAM_QUALITY]: 9, [constants.BROTLI_PARAM_SIZE_HINT]: plain.length },
          })
        : await promisify(gzip)(plain, { level: 9 })
    await this.write(file, async (handle) => void (await handle.writeFile(bytes)))
    return file
  }

  /** A part file, synced, renamed into its place, and the folder synced. */
  private async write(file: string, fill: (handle: Awaited<ReturnType<typeof open>>) => Promise<void>): Promise<void> {
    const part = `${file}.${randomUUID()}${PART}`
    const handle = await open(part, 'wx')
    try {
      await fill(handle)
      await handle.sync()
      await rename(part, file)
    } catch (error) {
      await rm(part, { force: true })
      if ((error as NodeJS.ErrnoException).code === 'ENOSPC') throw new HostError(507, 'no room left')
      throw error
    } finally {
      await handle.close()
    }
    const folder = await open(this.folder, 'r')
    await folder.sync().finally(() => folder.close())
  }

  file(hash: string): string {
    return path.join(this.folder, hash)
  }
}

/** A file's length in bytes; null where there is none. */
export function sizeOf(file: string): number | null {
  const stat = statSync(file, { throwIfNoEntry: false })
  return stat?.isFile() ? stat.size : null
}

export function readPart(file: string, part: ByteRange | null): ReadStream {
  return createReadStream(file, part ? { start: part.first, end: part.last } : {})
}
