import { readUpload } from '@/server/media/read-upload'
import { refuseForeign, reply } from '@/server/http'
import { getJob } from '@/server/jobs'

export async function POST(request: Request, { params }: { params: Promise<{ job: string }> }): Promise<Response> {
  const { job } = await params
  return reply(async () => {
    refuseForeign(request)
    return readUpload(request, getJob(job).id)
  })
}
