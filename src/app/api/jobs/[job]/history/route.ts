import { param, readRoute } from '@/server/http/route'
import { readHistory } from '@/server/use-cases/read-history'

export const GET = readRoute((asked) => readHistory(param(asked, 'job'), Number(asked.query.get('before') ?? 0) || 0))
