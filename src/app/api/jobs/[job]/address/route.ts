import * as v from 'valibot'
import { readBody, refuseForeign, reply } from '@/server/http'
import { askAddress, chooseAddress } from '@/server/releases/address'

type Context = { params: Promise<{ job: string }> }
const bodySchema = v.strictObject({ name: v.pipe(v.string(), v.maxLength(300)) })

export async function GET(request: Request, { params }: Context): Promise<Response> {
  const { job } = await params
  return reply(() => askAddress(job, (new URL(request.url).searchParams.get('name') ?? '').slice(0, 300)))
}

export async function PUT(request: Request, { params }: Context): Promise<Response> {
  const { job } = await params
  return reply(async () => {
    refuseForeign(request)
    return chooseAddress(job, (await readBody(request, bodySchema)).name)
  })
}
