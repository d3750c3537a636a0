import { param, readRoute } from '@/server/http/route'
import { drawJobIcon } from '@/server/use-cases/draw-job-icon'

const HEADERS = {
  'content-type': 'image/svg+xml',
  'cache-control': 'private, max-age=3600',
  'content-security-policy': "default-src 'none'; img-src data:; style-src 'unsafe-inline'",
}

export const GET = readRoute(async (asked) => new Response(await drawJobIcon(param(asked, 'job'), asked.query), { headers: HEADERS }))
