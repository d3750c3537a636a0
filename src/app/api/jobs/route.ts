import * as v from 'valibot'
import { brandSchema, factsSchema } from '@/core/site'
import { readBody, refuseForeign, reply } from '@/server/http'
import { createJobFromBrief } from '@/server/new-job'

const bodySchema = v.strictObject({ template: v.string(), facts: factsSchema, brand: brandSchema, draft: v.optional(v.boolean()) })

export function POST(request: Request): Promise<Response> {
  return reply(async () => {
    refuseForeign(request)
    return { job: createJobFromBrief(await readBody(request, bodySchema)) }
  })
}
