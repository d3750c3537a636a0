import { Problem } from '../problems'
import { storeLogo, type StoredLogo } from './store-logo'
import { MAX_UPLOAD_BYTES, storeUpload } from './store-upload'

/** One picture sent as the request's body, its name in the query; `as=logo` for one that is made ready as a logo. */
export async function readUpload(request: Request, job: string | null): Promise<StoredLogo> {
  const { searchParams } = new URL(request.url)
  const name = searchParams.get('name') ?? 'picture'
  const bytes = await readBody(request, name, MAX_UPLOAD_BYTES)
  return searchParams.get('as') === 'logo' ? storeLogo(job, name, bytes) : { asset: await storeUpload(job, name, bytes), notes: [] }
}

/** The request's body; reading stops as soon as it is too large. */
export async function readBody(request: Request, name: string, mostBytes: number): Promise<Buffer> {
  const tooLarge = (bytes: number): Problem => new Problem('fileTooLarge', { name: name.slice(0, 80), size: Math.round(bytes / 1024 / 1024), limit: mostBytes / 1024 / 1024 })
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
