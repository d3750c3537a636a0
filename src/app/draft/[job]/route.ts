import { draftHome } from '@/server/draft'
import { problemResponse } from '@/server/http'

/** A job's home page as it stands, for its thumbnail; nothing in it runs and nothing links out of it. */
export async function GET(_: Request, { params }: { params: Promise<{ job: string }> }): Promise<Response> {
  try {
    const html = await draftHome((await params).job)
    return new Response(html, {
      headers: {
        'content-type': 'text/html; charset=utf-8', 'cache-control': 'no-store', 'x-robots-tag': 'noindex',
        'content-security-policy': "default-src 'none'; img-src 'self'; font-src 'self'; style-src 'unsafe-inline'; frame-ancestors 'self'; sandbox allow-same-origin",
      },
    })
  } catch (error) {
    return problemResponse(error)
  }
}
