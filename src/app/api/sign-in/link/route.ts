import { replyWithSession } from '@/server/http/cookies'
import { doorRoute } from '@/server/http/route'
import { whenceOf } from '@/server/http/who-asks'
import { usePass, usePassSchema } from '@/server/use-cases/use-pass'

export const POST = doorRoute(usePassSchema, async ({ body, request }) => replyWithSession(request, await usePass(body, whenceOf(request))))
