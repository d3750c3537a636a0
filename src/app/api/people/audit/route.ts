import type { AuditReply } from '@/core/replies'
import { readRoute } from '@/server/http/route'
import { auditPage } from '@/server/use-cases/account'

export const GET = readRoute(({ query }) => ({ audit: auditPage(Number(query.get('before')) || 0) }) satisfies AuditReply, 'owner')
