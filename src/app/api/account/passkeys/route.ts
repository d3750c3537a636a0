import * as v from 'valibot'
import { hereOf } from '@/server/http/hosts'
import { writeRoute } from '@/server/http/route'
import { whenceOf } from '@/server/http/who-asks'
import { answerSchema, askForPasskey, askForPasskeySchema, removePasskey, takePasskey } from '@/server/use-cases/passkeys'

export const POST = writeRoute(
  askForPasskeySchema,
  ({ person, body, request }) => askForPasskey(person, body, hereOf(request.headers), whenceOf(request)),
  'person',
)
export const PUT = writeRoute(
  answerSchema,
  ({ person, body, request }) => takePasskey(person, body, hereOf(request.headers), whenceOf(request)),
  'person',
)
export const DELETE = writeRoute(
  v.strictObject({ id: v.string() }),
  ({ person, body, request }) => removePasskey(person, body.id, whenceOf(request)),
  'person',
)
