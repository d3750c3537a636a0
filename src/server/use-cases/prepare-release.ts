import * as v from 'valibot'
import { heldSchema } from '../../core/lines'
import { planFiles, planPublish, presentOf, type Manifest } from '../../core/release'
import { NEVER } from '../../core/render'
import type { Prepared } from '../../core/replies'
import { WEB_HOST } from '../destinations/registry'
import { orProblem } from '../destinations/to-problem'
import { jobState } from '../log/edit-log'
import type { OnProgress } from '../releases/carry-out'
import { prepareFiles } from '../releases/prepared'
import { addressedAt, type Addressed } from '../releases/where'
import { noteMenuFit } from '../store/menu-fits'
import { livePublication } from '../store/publications'
import { getRelease } from '../store/releases'
import { noteTextHold } from '../store/text-holds'
import { alonePage, presentSite } from './publish'

/** The name of all that decides what was measured. */
const keySchema = v.pipe(v.string(), v.regex(/^[0-9a-f]{16}$/))
const MOST_HOLDS = 2000
/** What the browser has measured: from which width the menu fits, in px, and how texts are held to their lines. */
export const prepareSchema = v.strictObject({
  destination: v.optional(v.string()),
  page: alonePage,
  menu: v.optional(
    v.strictObject({
      key: keySchema,
      from: v.nullable(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(NEVER))),
    }),
  ),
  holds: v.optional(v.pipe(v.array(v.strictObject({ key: keySchema, held: heldSchema })), v.maxLength(MOST_HOLDS), v.readonly())),
})
export type PrepareInput = v.InferOutput<typeof prepareSchema>

/**
 * Makes the files of the site as it stands now, or of what visitors have with one page as it stands now, and says what publishing them
 * would change; nothing is sent, and no release is kept yet.
 */
export async function prepareRelease(
  job: string,
  { destination = WEB_HOST, page: alone, menu, holds = [] }: PrepareInput,
  onProgress: OnProgress,
): Promise<Prepared> {
  const where = addressedAt(job, destination)
  const { to, address } = where
  if (menu) noteMenuFit(job, menu.key, menu.from)
  for (const { key, held } of holds) noteTextHold(job, key, held)
  const state = jobState(job)
  const { manifest } = await prepareFiles(job, presentSite(job, state, where, alone), where, onProgress)
  return { revision: state.revision, destination, ...(await planAt(job, where, manifest)), address, origin: to.originOf(address) }
}

/** Against what is really there, where that can be seen; else against what went live there last. */
async function planAt(
  job: string,
  { id, to, address }: Addressed,
  manifest: Manifest,
): Promise<Pick<Prepared, 'plan' | 'foreign' | 'inTheWay'>> {
  const { files } = to
  if (files) {
    const standing = await orProblem(to, address, () => files.look(address))
    const { foreign, inTheWay, stay } = planFiles(manifest, standing)
    const present = Object.entries(presentOf(standing)).filter(([path]) => !stay.includes(path))
    return { plan: planPublish(Object.fromEntries(present), manifest), foreign, inTheWay }
  }
  const live = livePublication(job, id)
  const there = live ? getRelease(job, live.release).manifest : {}
  const here = to.capabilities.keepsContent ? there : null
  return { plan: planPublish(live?.address === address ? there : {}, manifest, here), foreign: [], inTheWay: [] }
}
