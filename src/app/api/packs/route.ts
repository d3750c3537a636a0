import { uploadRoute } from '@/server/http/route'
import { bringPackIn } from '@/server/use-cases/packs'

export const POST = uploadRoute((asked) => bringPackIn(asked.request, asked.query))
