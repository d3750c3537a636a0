import { readRoute, writeRoute } from '@/server/http/route'
import { keepSchema, keepSection, keptSections } from '@/server/use-cases/kept-sections'

export const GET = readRoute(async () => ({ kept: await keptSections() }))
export const POST = writeRoute(keepSchema, ({ body }) => ({ id: keepSection(body) }))
