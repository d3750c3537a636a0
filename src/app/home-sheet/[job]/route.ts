import { param, readRoute } from '@/server/http/route'
import { homeSheet } from '@/server/use-cases/home-sheet'

const HEADERS = {
  'content-type': 'text/html; charset=utf-8',
  'cache-control': 'no-store',
  'x-robots-tag': 'noindex',
  'content-security-policy':
    "default-src 'none'; img-src 'self'; font-src 'self'; style-src 'unsafe-inline'; frame-ancestors 'self'; sandbox allow-same-origin",
}

/** A job's home page as it stands, for its thumbnail; nothing in it runs and nothing links out of it. */
export const GET = readRoute(async (asked) => new Response(await homeSheet(param(asked, 'job')), { headers: HEADERS }))
