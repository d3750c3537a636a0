import type { KeptLines } from '@/core/replies'
import { readRoute, writeRoute } from '@/server/http/route'
import { keepSchema, keepSection, keptSections } from '@/server/use-cases/kept-sections'

export const GET = readRoute(async ({ person }) => ({ kept: await keptSections(person) }) satisfies KeptLines)
export const POST = writeRoute(keepSchema, ({ body }) => ({ id: keepSection(body) }))
