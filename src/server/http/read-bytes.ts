import { Problem } from './problems'

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
  const claimed = Number(request.headers.get('content-length') ?? 0)
  if (claimed > mostBytes) throw tooLarge(claimed)
  const parts: Uint8Array[] = []
  let length = 0
  for await (const part of request.body ?? []) {
    length += part.length
    if (length > mostBytes) throw tooLarge(length)
    parts.push(part)
  }
  return Buffer.concat(parts)
}
