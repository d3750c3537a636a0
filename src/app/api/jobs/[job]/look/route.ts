import { longRoute, param } from '@/server/http/route'
import { lookAsVisitor, lookSchema } from '@/server/use-cases/look-as-visitor'

export const POST = longRoute(lookSchema, (asked, onProgress) => lookAsVisitor(param(asked, 'job'), asked.body.destination, onProgress))
