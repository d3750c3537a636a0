import type { VersionReply } from '@/core/replies'
import { param, readRoute } from '@/server/http/route'
import { viewRelease, viewVersion } from '@/server/use-cases/version-view'

export const GET = readRoute((asked) => {
  const [job, release] = [param(asked, 'job'), asked.query.get('release')]
  return { past: release === null ? viewVersion(job, asked.query.get('at') ?? '') : viewRelease(job, release) } satisfies VersionReply
})
