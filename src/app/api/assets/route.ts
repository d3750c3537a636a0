import { uploadRoute } from '@/server/http/route'
import { takeInPicture } from '@/server/use-cases/take-in-picture'

/** A logo chosen before its job is made. */
export const POST = uploadRoute((asked) => takeInPicture(asked.request, asked.query, null))
