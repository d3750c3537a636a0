import type { AssetInfo } from '../../core/image'
import { Problem } from '../problems'
import { MAX_UPLOAD_BYTES, storeUpload } from './store-upload'

/** One file sent as the request's body, its name in the query; reading stops as soon as it is too large. */
export async function readUpload(request: Request, job: string | null): Promise<AssetInfo> {
  const name = new URL(request.url).searchParams.get('name') ?? 'picture'
  const claimed = Number(request.headers.get('content-length') ?? 0)
  if (claimed > MAX_UPLOAD_BYTES) throw tooLarge(name, claimed)
  const parts: Uint8Array[] = []
  let length = 0
  for await (const part of request.body ?? []) {
    length += part.length
    if (length > MAX_UPLOAD_BYTES) throw tooLarge(name, length)
    parts.push(part)
  }
  return storeUpload(job, name, Buffer.concat(parts))
}

function tooLarge(name: string, bytes: number): Problem {
  return new Problem('fileTooLarge', { name: name.slice(0, 80), size: Math.round(bytes / 1024 / 1024), limit: MAX_UPLOAD_BYTES / 1024 / 1024 })
}
