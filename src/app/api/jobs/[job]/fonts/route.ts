import { jobTexts } from '@/server/draft'
import { refuseForeign, reply } from '@/server/http'
import { getJob } from '@/server/jobs'
import { readBody } from '@/server/media/read-upload'
import { MAX_FONT_BYTES, storeFont } from '@/server/media/store-font'

/** One font file of the client's, its name in the query. */
export async function POST(request: Request, { params }: { params: Promise<{ job: string }> }): Promise<Response> {
  const { job } = await params
  return reply(async () => {
    refuseForeign(request)
    const texts = await jobTexts(getJob(job).id)
    const name = new URL(request.url).searchParams.get('name') ?? 'font'
    return storeFont(name, await readBody(request, name, MAX_FONT_BYTES), texts)
  })
}
