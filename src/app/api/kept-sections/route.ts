import { readRoute, writeRoute } from '@/server/http/route'
import { keepSchema, keepSection, keptSections } from '@/server/use-cases/kept-sections'

export const GET = readRoute(async ({ person }) => ({ kept: await keptSections(person) }))
export const POST = writeRoute(keepSchema, ({ body }) => ({ id: keepSection(body) }))
