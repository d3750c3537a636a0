import { uploadRoute } from '@/server/http/route'
import { takeInProject } from '@/server/use-cases/take-in-project'

/** A handover that is read in as a job. */
export const POST = uploadRoute((asked) => takeInProject(asked.request, asked.query, asked.person))
