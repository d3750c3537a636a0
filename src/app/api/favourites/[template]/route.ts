import * as v from 'valibot'
import { setFavourite } from '@/server/favourites'
import { readBody, refuseForeign, reply } from '@/server/http'

const bodySchema = v.strictObject({ on: v.boolean() })

export function PUT(request: Request, { params }: { params: Promise<{ template: string }> }): Promise<Response> {
  return reply(async () => {
    refuseForeign(request)
    const { template } = await params
    setFavourite(template.slice(0, 64), (await readBody(request, bodySchema)).on)
  })
}
