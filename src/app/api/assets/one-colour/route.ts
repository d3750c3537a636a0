import * as v from 'valibot'
import { readBody, refuseForeign, reply } from '@/server/http'
import { getJob } from '@/server/jobs'
import { makeOneColour } from '@/server/media/one-colour'

const bodySchema = v.strictObject({ asset: v.pipe(v.string(), v.maxLength(120)), colour: v.pipe(v.string(), v.regex(/^#[0-9a-f]{6}$/)), job: v.nullable(v.string()) })

/** A one-colour version of a logo, made on the server and kept. */
export function POST(request: Request): Promise<Response> {
  return reply(async () => {
    refuseForeign(request)
    const { asset, colour, job } = await readBody(request, bodySchema)
    return { asset: await makeOneColour(job === null ? null : getJob(job).id, asset, colour) }
  })
}
