import { param, readRoute } from '@/server/http/route'
import { whatWasDone } from '@/server/use-cases/what-was-done'

export const GET = readRoute((asked) => whatWasDone(param(asked, 'job'), Number(asked.query.get('before')) || 0))
