import { problemResponse } from '@/server/http'
import { readDraftPicture } from '@/server/media/draft-picture'

export async function GET(_: Request, { params }: { params: Promise<{ variant: string[] }> }): Promise<Response> {
  try {
    const picture = await readDraftPicture((await params).variant)
    if (!picture) return new Response('Not found', { status: 404 })
    return new Response(new Uint8Array(picture.bytes), {
      headers: {
        'content-type': picture.type,
        'cache-control': 'public, max-age=31536000, immutable',
        'x-content-type-options': 'nosniff',
        'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'; sandbox",
      },
    })
  } catch (error) {
    return problemResponse(error)
  }
}
