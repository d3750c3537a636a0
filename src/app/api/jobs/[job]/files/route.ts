import { param, uploadRoute } from '@/server/http/route'
import { takeInFile } from '@/server/use-cases/take-in-file'

export const POST = uploadRoute((asked) => takeInFile(asked.request, asked.query, param(asked, 'job')))
