import { param, readRoute, writeRoute } from '@/server/http/route'
import { appendEdits, appendSchema, editsSince } from '@/server/use-cases/append-edits'

export const POST = writeRoute(appendSchema, (asked) => appendEdits(param(asked, 'job'), asked.person, asked.body))
export const GET = readRoute((asked) => editsSince(param(asked, 'job'), Number(asked.query.get('since') ?? 0) || 0))
