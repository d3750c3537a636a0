import * as v from 'valibot'
import { param, writeRoute } from '@/server/http/route'
import { setFavourite } from '@/server/use-cases/favourites'

export const PUT = writeRoute(v.strictObject({ on: v.boolean() }), (asked) =>
  setFavourite(param(asked, 'template').slice(0, 64), asked.body.on),
)
