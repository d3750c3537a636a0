import { param, uploadRoute } from '@/server/http/route'
import { takeInPicture } from '@/server/use-cases/take-in-picture'

export const POST = uploadRoute((asked) => takeInPicture(asked.request, asked.query, param(asked, 'job')))
