import { param, readRoute } from '@/server/http/route'
import { takeRelease } from '@/server/use-cases/take-release'

export const GET = readRoute((asked) => {
  const { name, zip } = takeRelease(param(asked, 'job'), param(asked, 'release'))
  const headers = {
    'content-type': 'application/zip',
    'content-disposition': `attachment; filename="${encodeURIComponent(name)}"`,
    'cache-control': 'no-store',
  }
  return new Response(zip, { headers })
})
