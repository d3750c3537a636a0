import { readFileSync } from 'node:fs'
import { findFontFile } from '@/server/fonts'

export async function GET(_: Request, { params }: { params: Promise<{ file: string }> }): Promise<Response> {
  const { file } = await params
  const path = findFontFile(file)
  if (!path) return new Response('Not found', { status: 404 })
  return new Response(new Uint8Array(readFileSync(path)), { headers: { 'content-type': `font/${file.split('.').at(-1)}`, 'cache-control': 'public, max-age=31536000, immutable' } })
}
