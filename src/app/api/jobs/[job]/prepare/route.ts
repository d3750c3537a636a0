import { problemResponse, refuseForeign, replyWithProgress } from '@/server/http'
import { prepareRelease } from '@/server/releases/publish'

export async function POST(request: Request, { params }: { params: Promise<{ job: string }> }): Promise<Response> {
  const { job } = await params
  try {
    refuseForeign(request)
  } catch (error) {
    return problemResponse(error)
  }
  return replyWithProgress((onProgress) => prepareRelease(job, onProgress))
}
