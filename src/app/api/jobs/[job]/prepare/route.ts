import { longRoute, param } from '@/server/http/route'
import { prepareRelease, prepareSchema } from '@/server/use-cases/prepare-release'

export const POST = longRoute(prepareSchema, (asked, onProgress) => prepareRelease(param(asked, 'job'), asked.body, onProgress))
