import { param, writeRoute } from '@/server/http/route'
import { nameVersion, namedVersionSchema } from '@/server/use-cases/name-version'

export const PUT = writeRoute(namedVersionSchema, (asked) => nameVersion(param(asked, 'job'), asked.body))
