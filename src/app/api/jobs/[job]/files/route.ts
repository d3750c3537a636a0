import { param, uploadRoute } from '@/server/http/route'
import { importFile } from '@/server/use-cases/import-file'

export const POST = uploadRoute((asked) => importFile(asked.request, asked.query, param(asked, 'job')))
