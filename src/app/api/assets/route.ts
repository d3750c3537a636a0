import { readUpload } from '@/server/media/read-upload'
import { refuseForeign, reply } from '@/server/http'

/** A logo chosen before its job is made. */
export function POST(request: Request): Promise<Response> {
  return reply(async () => {
    refuseForeign(request)
    return readUpload(request, null)
  })
}
