import { refuseForeign, reply } from '@/server/http'
import { readBody } from '@/server/media/read-upload'
import { bringInPack, MAX_PACK_BYTES } from '@/server/pack-zip'

/** A pack brought in: the zip is the request's body, its name in the query. */
export function POST(request: Request): Promise<Response> {
  return reply(async () => {
    refuseForeign(request)
    const name = new URL(request.url).searchParams.get('name') ?? 'pack.zip'
    return { templates: await bringInPack(name, await readBody(request, name, MAX_PACK_BYTES)) }
  })
}
