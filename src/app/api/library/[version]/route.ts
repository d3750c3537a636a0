import { param, readRoute } from '@/server/http/route'
import { templateLibrary } from '@/server/use-cases/packs'

/** A version never changes, so a browser keeps it for as long as it likes. */
const HEADERS = { 'cache-control': 'private, max-age=31536000, immutable' }

export const GET = readRoute((asked) => Response.json(templateLibrary(param(asked, 'version')), { headers: HEADERS }))
