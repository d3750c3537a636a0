import { reply } from '@/server/http'
import { readJob } from '@/server/read-job'

export async function GET(_: Request, { params }: { params: Promise<{ job: string }> }): Promise<Response> {
  const { job } = await params
  return reply(() => readJob(job))
}
