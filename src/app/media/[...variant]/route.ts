import { readRoute } from '@/server/http/route'
import { readPicture } from '@/server/use-cases/read-picture'

const HEADERS = {
  'cache-control': 'public, max-age=31536000, immutable',
  'x-content-type-options': 'nosniff',
  'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'; sandbox",
}

export const GET = readRoute(async ({ params }) => {
  const picture = await readPicture(params.variant as unknown as string[])
  if (!picture) return new Response('Not found', { status: 404 })
  return new Response(new Uint8Array(picture.bytes), { headers: { ...HEADERS, 'content-type': picture.type } })
})
