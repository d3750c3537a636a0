import { param, uploadRoute } from '@/server/http/route'
import { importPicture } from '@/server/use-cases/import-picture'

export const POST = uploadRoute((asked) => importPicture(asked.request, asked.query, param(asked, 'job')))
