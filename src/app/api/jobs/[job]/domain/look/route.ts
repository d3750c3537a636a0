import * as v from 'valibot'
import { param, writeRoute } from '@/server/http/route'
import { lookAtDomain } from '@/server/use-cases/look-at-domain'

export const POST = writeRoute(v.strictObject({}), (asked) => lookAtDomain(param(asked, 'job')))
