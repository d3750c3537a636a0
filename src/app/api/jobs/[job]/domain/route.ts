import * as v from 'valibot'
import { param, readRoute, writeRoute } from '@/server/http/route'
import { byOf } from '@/server/http/who-asks'
import { addDomain, askDomain, domainSchema, removeDomain } from '@/server/use-cases/own-domain'
import { changeDomain, domainChangeSchema } from '@/server/use-cases/move-to-domain'

const MOST = 300

export const GET = readRoute((asked) => askDomain(param(asked, 'job'), (asked.query.get('name') ?? '').slice(0, MOST)))
export const PUT = writeRoute(domainSchema, (asked) => addDomain(param(asked, 'job'), asked.body.name, byOf(asked)))
export const POST = writeRoute(domainChangeSchema, (asked) => changeDomain(param(asked, 'job'), asked.body))
export const DELETE = writeRoute(v.strictObject({}), (asked) => removeDomain(param(asked, 'job'), byOf(asked)))
