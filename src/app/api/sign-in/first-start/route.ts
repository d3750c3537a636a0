import { replyWithSession } from '@/server/http/cookies'
import { doorRoute } from '@/server/http/route'
import { whenceOf } from '@/server/http/who-asks'
import { firstStart, firstStartSchema } from '@/server/use-cases/come-in'

export const POST = doorRoute(firstStartSchema, async ({ body, request }) =>
  replyWithSession(request, await firstStart(body, whenceOf(request))),
)
