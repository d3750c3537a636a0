import { replyWithSession } from '@/server/http/cookies'
import { doorRoute } from '@/server/http/route'
import { whenceOf } from '@/server/http/who-asks'
import { signIn, signInSchema } from '@/server/use-cases/come-in'

export const POST = doorRoute(signInSchema, async ({ body, request }) => replyWithSession(request, await signIn(body, whenceOf(request))))
