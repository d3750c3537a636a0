import { uploadRoute } from '@/server/http/route'
import { importJob } from '@/server/use-cases/import-job'

/** A handover that is read in as a job. */
export const POST = uploadRoute((asked) => importJob(asked.request, asked.query, asked.person))
