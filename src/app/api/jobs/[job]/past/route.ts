import { param, readRoute } from '@/server/http/route'
import { lookAtRelease, lookBack } from '@/server/use-cases/look-back'

export const GET = readRoute((asked) => {
  const [job, release] = [param(asked, 'job'), asked.query.get('release')]
  return { past: release === null ? lookBack(job, asked.query.get('at') ?? '') : lookAtRelease(job, release) }
})
