import * as v from 'valibot'
import { appendRows, rowsSince, sentRowSchema } from '@/server/edit-log'
import { readBody, refuseForeign, reply } from '@/server/http'
import { getJob } from '@/server/jobs'

type Context = { params: Promise<{ job: string }> }
const bodySchema = v.strictObject({ base: v.pipe(v.number(), v.integer(), v.minValue(0)), rows: v.pipe(v.array(sentRowSchema), v.maxLength(500)) })

export async function POST(request: Request, { params }: Context): Promise<Response> {
  const { job } = await params
  return reply(async () => {
    refuseForeign(request)
    const { base, rows } = await readBody(request, bodySchema)
    return { rows: appendRows(getJob(job).id, base, rows) }
  })
}

export async function GET(request: Request, { params }: Context): Promise<Response> {
  const { job } = await params
  const since = Number(new URL(request.url).searchParams.get('since') ?? 0)
  return reply(() => ({ rows: rowsSince(getJob(job).id, since) }))
}
