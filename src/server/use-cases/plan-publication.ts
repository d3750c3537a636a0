import { nanoid } from 'nanoid'
import * as v from 'valibot'
import { MAX_NOTE } from '../../core/release'
import { WEB_HOST } from '../destinations/registry'
import { kept } from '../files/kept'
import { Problem, reportProblem } from '../http/problems'
import type { By } from '../people/sessions'
import type { OnProgress } from '../releases/carry-out'
import { addressedAt } from '../releases/where'
import { noteAudit } from '../store/audit'
import { getRelease, lastAlone } from '../store/releases'
import { dropPlanned, dueBy, insertPlanned, notePlannedFault, plannedOf, type Planned } from '../store/planned'
import { runTask } from '../tasks/run-task'
import { alonePage, presentRelease, publish } from './publish'

const LOOK_MS = 15_000
const YEAR_MS = 366 * 86_400_000

export const planSchema = v.strictObject({
  revision: v.pipe(v.number(), v.integer()),
  page: alonePage,
  destination: v.optional(v.string(), WEB_HOST),
  note: v.optional(v.pipe(v.string(), v.trim(), v.maxLength(MAX_NOTE)), ''),
  at: v.pipe(v.string(), v.isoTimestamp()),
  zone: v.pipe(v.string(), v.check(isZone, 'not a time zone')),
})
export const unplanSchema = v.strictObject({ planned: v.string() })

function isZone(name: string): boolean {
  try {
    return new Intl.DateTimeFormat('en', { timeZone: name }).resolvedOptions().timeZone !== ''
  } catch {
    return false
  }
}

/** What goes live later, as the screen tells of it. */
export type PlannedLine = Pick<Planned, 'id' | 'at' | 'zone' | 'note' | 'fault'> & {
  /** The page that goes live alone, by its id. */
  readonly alone: string | null
}

export function plannedLines(job: string, destination: string): PlannedLine[] {
  return plannedOf(job, destination).map(({ id, at, zone, note, fault, release }) => ({
    id,
    at,
    zone,
    note,
    fault,
    alone: lastAlone(getRelease(job, release)),
  }))
}

/** Builds the site as the screen shows it now, to be published at a time; what is done until then is not in it. */
export async function planPublication(
  job: string,
  input: v.InferOutput<typeof planSchema>,
  onProgress: OnProgress,
  { person, whence }: By,
): Promise<{}> {
  const { destination, note, at, zone } = input
  const ahead = Date.parse(at) - Date.now()
  if (ahead <= 0 || ahead > YEAR_MS) throw new Problem('timeWrong')
  const where = addressedAt(job, destination)
  return runTask(job, 'publish', input, async () => {
    const { id: release } = await presentRelease(job, input, where, onProgress)
    insertPlanned({ id: nanoid(12), job, destination, release, at: new Date(at).toISOString(), zone, person: person.id, note })
    noteAudit({ person: person.id, what: 'publication planned', about: where.address, address: whence.address })
    return {}
  })
}

export function unplan(job: string, id: string): void {
  dropPlanned(job, id)
}

/** Publishes what is due, in the name of whoever planned it; what fails says why, and is tried again until it is taken off the plan. */
export async function publishDue(now: Date): Promise<void> {
  for (const { id, job, destination, release, note, person } of dueBy(now.toISOString())) {
    try {
      await publish(job, { release, note, destination }, () => undefined, { person: { id: person }, whence: { address: 'planned' } })
      dropPlanned(job, id)
    } catch (error) {
      notePlannedFault(id, reportProblem(error).message)
    }
  }
}

/** Looks for what is due now and from time to time, one look after the other. */
export function keepPublishingDue(): void {
  const look = async (): Promise<void> => {
    // A database that cannot be read just now is asked again the next time.
    await publishDue(new Date()).catch(reportProblem)
    setTimeout(() => void look(), LOOK_MS).unref()
  }
  kept('publishing-due', () => look())
}
