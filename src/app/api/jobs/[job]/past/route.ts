import { param, readRoute } from '@/server/http/route'
import { lookBack } from '@/server/use-cases/look-back'

export const GET = readRoute((asked) => ({ past: lookBack(param(asked, 'job'), asked.query.get('at') ?? '') }))
