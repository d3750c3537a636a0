import * as v from 'valibot'
import { writeRoute } from '@/server/http/route'
import { checkAndRepair } from '@/server/use-cases/check'

/** Looks through everything that is kept, now. */
export const POST = writeRoute(v.strictObject({}), () => checkAndRepair(), 'owner')
