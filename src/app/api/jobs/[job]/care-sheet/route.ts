import { param, readRoute } from '@/server/http/route'
import { careSheet } from '@/server/use-cases/export-job'

/** The sheet that a handover brings along, to be read before it is given away. It runs nothing and fetches nothing. */
export const GET = readRoute(async (asked) => {
  const headers = {
    'content-type': 'text/html; charset=utf-8',
    'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'; sandbox allow-popups",
    'cache-control': 'no-store',
  }
  return new Response(await careSheet(param(asked, 'job'), asked.person), { headers })
}, 'editor')
