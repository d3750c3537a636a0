import * as v from 'valibot'
import { longRoute, param } from '@/server/http/route'
import { prepareRelease } from '@/server/use-cases/prepare-release'

export const POST = longRoute(v.strictObject({}), (asked, onProgress) => prepareRelease(param(asked, 'job'), onProgress))
