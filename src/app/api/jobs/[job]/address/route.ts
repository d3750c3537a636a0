import * as v from 'valibot'
import { param, readRoute, writeRoute } from '@/server/http/route'
import { byOf } from '@/server/http/who-asks'
import { askAddress, chooseAddress } from '@/server/use-cases/choose-address'

const MOST = 300
const bodySchema = v.strictObject({ name: v.pipe(v.string(), v.maxLength(MOST)) })

export const GET = readRoute((asked) => askAddress(param(asked, 'job'), (asked.query.get('name') ?? '').slice(0, MOST)))
export const PUT = writeRoute(bodySchema, (asked) => chooseAddress(param(asked, 'job'), asked.body.name, byOf(asked)))
