import { param, uploadRoute } from '@/server/http/route'
import { takeInFont } from '@/server/use-cases/take-in-font'

export const POST = uploadRoute((asked) => takeInFont(asked.request, asked.query, param(asked, 'job')))
