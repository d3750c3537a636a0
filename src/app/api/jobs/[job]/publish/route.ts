import * as v from 'valibot'
import { problemResponse, readBody, refuseForeign, replyWithProgress } from '@/server/http'
import { publishRelease } from '@/server/releases/publish'

const bodySchema = v.strictObject({ release: v.string() })

export async function POST(request: Request, { params }: { params: Promise<{ job: string }> }): Promise<Response> {
  const { job } = await params
  try {
    refuseForeign(request)
    const { release } = await readBody(request, bodySchema)
    return replyWithProgress((onProgress) => publishRelease(job, release, onProgress))
  } catch (error) {
    return problemResponse(error)
  }
}
