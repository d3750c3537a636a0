import { createWriteStream } from 'node:fs'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { Problem } from '../problems'

/** The problem that says of a file that it is too large, and what to do. */
type TooLarge = 'fileTooLarge' | 'fontTooLarge' | 'pdfTooLarge'

/** The request's body; reading stops as soon as it is too large. */
export function readBytes(request: Request, name: string, mostBytes: number, code: TooLarge = 'fileTooLarge'): Promise<Buffer> {
  return readBody(
    request,
    mostBytes,
    (bytes) => new Problem(code, { name: name.slice(0, 80), size: Math.round(bytes / 1024 / 1024), limit: mostBytes / 1024 / 1024 }),
  )
}

/** A body of at most so many bytes, whatever it claims to be: what is too long is refused before it is all here. */
export async function readBody(request: Request, mostBytes: number, tooLarge: (bytes: number) => Problem): Promise<Buffer> {
  const parts: Uint8Array[] = []
  for await (const part of bodyOf(request, mostBytes, tooLarge)) parts.push(part)
  return Buffer.concat(parts)
}

/** The same into a file, for what need not lie in memory. */
export function saveBody(request: Request, file: string, mostBytes: number, tooLarge: (bytes: number) => Problem): Promise<void> {
  return pipeline(Readable.from(bodyOf(request, mostBytes, tooLarge)), createWriteStream(file, { flags: 'wx' }))
}

async function* bodyOf(request: Request, mostBytes: number, tooLarge: (bytes: number) => Problem): AsyncGenerator<Uint8Array> {
  const claimed = Number(request.headers.get('content-length') ?? 0)
  if (claimed > mostBytes) throw tooLarge(claimed)
  let length = 0
  for await (const part of request.body ?? []) {
    length += part.length
    if (length > mostBytes) throw tooLarge(length)
    yield part
  }
}
