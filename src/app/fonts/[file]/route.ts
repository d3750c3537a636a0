import { param, readRoute } from '@/server/http/route'
import { readFont } from '@/server/use-cases/read-font'

export const GET = readRoute((asked) => {
  const file = param(asked, 'file')
  const bytes = readFont(file)
  if (!bytes) return new Response('Not found', { status: 404 })
  const headers = { 'content-type': `font/${file.split('.').at(-1)}`, 'cache-control': 'public, max-age=31536000, immutable' }
  return new Response(new Uint8Array(bytes), { headers })
})
