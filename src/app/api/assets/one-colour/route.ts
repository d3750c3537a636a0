import * as v from 'valibot'
import { writeRoute } from '@/server/http/route'
import { makeLogoOneColour } from '@/server/use-cases/import-picture'

const bodySchema = v.strictObject({
  asset: v.pipe(v.string(), v.maxLength(120)),
  colour: v.pipe(v.string(), v.regex(/^#[0-9a-f]{6}$/)),
  job: v.nullable(v.string()),
})

export const POST = writeRoute(
  bodySchema,
  ({ body: { job, asset, colour }, person }) => makeLogoOneColour(job, asset, colour, person),
  'person',
)
