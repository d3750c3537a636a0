import { readRoute, writeRoute } from '@/server/http/route'
import { whenceOf } from '@/server/http/who-asks'
import { accountView, changeAccount, changeSchema } from '@/server/use-cases/account'

export const GET = readRoute(({ person, session }) => accountView(person, session))
export const PUT = writeRoute(
  changeSchema,
  ({ person, session, body, request }) => changeAccount(person, session, body, whenceOf(request)),
  'person',
)
