import { param, readRoute } from '@/server/http/route'
import { takePackOut } from '@/server/use-cases/packs'

export const GET = readRoute((asked) => {
  const template = param(asked, 'template')
  const headers = {
    'content-type': 'application/zip',
    'content-disposition': `attachment; filename="${encodeURIComponent(template)}.zip"`,
    'cache-control': 'no-store',
  }
  return new Response(takePackOut(template), { headers })
})
