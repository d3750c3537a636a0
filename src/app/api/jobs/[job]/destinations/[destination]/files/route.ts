import { param, writeRoute } from '@/server/http/route'
import { adoptFiles, adoptSchema } from '@/server/use-cases/destinations'

/** Makes files there ours that stand where the site's go. */
export const PUT = writeRoute(adoptSchema, (asked) => adoptFiles(param(asked, 'job'), param(asked, 'destination'), asked.body.paths))
