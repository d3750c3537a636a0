import * as v from 'valibot'
import { heldSchema } from '../../core/lines'
import { planPublish, type PublishPlan } from '../../core/release'
import { NEVER } from '../../core/render'
import { destinationOf } from '../destinations/registry'
import { Problem } from '../http/problems'
import { jobState } from '../log/edit-log'
import type { OnProgress } from '../releases/carry-out'
import { prepareFiles } from '../releases/prepared'
import { getJob } from '../store/jobs'
import { noteMenuFit } from '../store/menu-fits'
import { livePublication } from '../store/publications'
import { getRelease } from '../store/releases'
import { noteTextHold } from '../store/text-holds'

/** The name of all that decides what was measured. */
const keySchema = v.pipe(v.string(), v.regex(/^[0-9a-f]{16}$/))
const MOST_HOLDS = 2000
/** What the browser has measured: from which width the menu fits, in px, and how texts are held to their lines. */
export const prepareSchema = v.strictObject({
  menu: v.optional(
    v.strictObject({
      key: keySchema,
      from: v.nullable(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(NEVER))),
    }),
  ),
  holds: v.optional(v.pipe(v.array(v.strictObject({ key: keySchema, held: heldSchema })), v.maxLength(MOST_HOLDS), v.readonly())),
})
export type PrepareInput = v.InferOutput<typeof prepareSchema>

export type Plan = { readonly revision: number; readonly plan: PublishPlan; readonly address: string; readonly origin: string }

/** Makes the files of the site as it stands now and says what publishing it would change; nothing is sent, and no release is kept yet. */
export async function prepareRelease(job: string, { menu, holds = [] }: PrepareInput, onProgress: OnProgress): Promise<Plan> {
  const { address } = getJob(job)
  if (address === null) throw new Problem('addressNone')
  if (menu) noteMenuFit(job, menu.key, menu.from)
  for (const { key, held } of holds) noteTextHold(job, key, held)
  const { revision, manifest } = await prepareFiles(job, jobState(job), address, onProgress)
  const live = livePublication(job)
  const there = live?.address === address ? getRelease(job, live.release).manifest : {}
  return { revision, plan: planPublish(there, manifest), address, origin: destinationOf().originOf(address) }
}
