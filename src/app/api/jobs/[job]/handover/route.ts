import { param, readRoute } from '@/server/http/route'
import { zipReply } from '@/server/http/zip-reply'
import { exportJob } from '@/server/use-cases/export-job'

/** Everything of a job as one zip; `history` brings every step since it was begun. */
export const GET = readRoute(async (asked) => {
  const { name, zip } = await exportJob(param(asked, 'job'), asked.query.get('history') === '1', asked.person)
  return zipReply(name, zip)
}, 'editor')
