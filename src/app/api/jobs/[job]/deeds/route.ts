import { param, readRoute } from '@/server/http/route'
import { activityOf } from '@/server/use-cases/activity'

export const GET = readRoute((asked) => activityOf(param(asked, 'job'), Number(asked.query.get('before')) || 0))
