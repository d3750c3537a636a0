import * as v from 'valibot'
import { longRoute, param } from '@/server/http/route'
import { certifyByDns } from '@/server/use-cases/move-to-domain'

export const POST = longRoute(v.strictObject({}), (asked, onProgress) => certifyByDns(param(asked, 'job'), onProgress))
