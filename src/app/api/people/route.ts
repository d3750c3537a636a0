import type { Invited } from '@/core/replies'
import { writeRoute } from '@/server/http/route'
import { whenceOf } from '@/server/http/who-asks'
import { invite, inviteSchema } from '@/server/use-cases/invite'

/** The token of the link that lets the invited in; null where somebody known was let at a job. */
export const POST = writeRoute(
  inviteSchema,
  ({ person, body, request }) => ({ token: invite(person, body, whenceOf(request)) }) satisfies Invited,
  'owner',
)
