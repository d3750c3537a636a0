import { uploadRoute } from '@/server/http/route'
import { importPicture } from '@/server/use-cases/import-picture'

/** A logo chosen before its job is made. */
export const POST = uploadRoute((asked) => importPicture(asked.request, asked.query, null))
