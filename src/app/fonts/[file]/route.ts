import { readFileSync } from 'node:fs'
import { findShippedFont } from '@/server/fonts'

export async function GET(_: Request, { params }: { params: Promise<{ file: string }> }): Promise<Response> {
  const path = findShippedFont((await params).file)
  if (!path) return new Response('Not found', { status: 404 })
  return new Response(new Uint8Array(readFileSync(path)), { headers: { 'content-type': 'font/woff2', 'cache-control': 'public, max-age=31536000, immutable' } })
}
