import * as v from 'valibot'
import { replyWithSession } from '@/server/http/cookies'
import { hereOf } from '@/server/http/hosts'
import { doorRoute } from '@/server/http/route'
import { whenceOf } from '@/server/http/who-asks'
import { answerSchema, askToSignIn, signInByPasskey } from '@/server/use-cases/passkeys'

export const POST = doorRoute(v.strictObject({}), ({ request }) => askToSignIn(hereOf(request.headers)))
export const PUT = doorRoute(answerSchema, async ({ body, request }) =>
  replyWithSession(request, await signInByPasskey(body, hereOf(request.headers), whenceOf(request))),
)
