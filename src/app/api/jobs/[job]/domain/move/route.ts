import * as v from 'valibot'
import { longRoute, param } from '@/server/http/route'
import { byOf } from '@/server/http/who-asks'
import { moveToDomain } from '@/server/use-cases/move-to-domain'

export const POST = longRoute(v.strictObject({}), (asked, onProgress) => moveToDomain(param(asked, 'job'), onProgress, byOf(asked)))
