import { param, uploadRoute } from '@/server/http/route'
import { importFont } from '@/server/use-cases/import-font'

export const POST = uploadRoute((asked) => importFont(asked.request, asked.query, param(asked, 'job')))
