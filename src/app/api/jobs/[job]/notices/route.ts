import type { NoticesReply } from '@/core/replies'
import { param, readRoute, writeRoute } from '@/server/http/route'
import { noticeView, setTold, tellsSchema } from '@/server/use-cases/notices'

export const GET = readRoute(
  (asked) => ({ notices: noticeView(param(asked, 'job'), asked.query.get('to') ?? undefined) }) satisfies NoticesReply,
)
export const PUT = writeRoute(tellsSchema, (asked) => setTold(param(asked, 'job'), asked.body.tells))
