import { param, readRoute, writeRoute } from '@/server/http/route'
import { jobPages, linkPage, takePageSchema } from '@/server/use-cases/job-pages'

export const GET = readRoute((asked) => jobPages(param(asked, 'job')))
export const POST = writeRoute(takePageSchema, (asked) => linkPage(param(asked, 'job'), asked.body, asked.person))
