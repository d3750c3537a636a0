import { nanoid } from 'nanoid'
import * as v from 'valibot'
import { MAX_NOTE } from '../../core/release'
import { WEB_HOST } from '../destinations/registry'
import { kept } from '../files/kept'
import { Problem, reportProblem } from '../problems'
import type { By } from '../people/sessions'
import type { OnProgress } from '../releases/carry-out'
import { addressedAt } from '../releases/where'
import { noteAudit } from '../store/audit'
import { getRelease, lastAlone } from '../store/releases'
import { dropScheduled, dueBy, insertScheduled, makeVoid, noteFailed, scheduledOf, type Scheduled } from '../store/scheduled'
import { runTask } from '../tasks/run-task'
import { alonePage, presentRelease, publish } from './publish'

const LOOK_MS = 15_000
/** How long after each failure it is tried again, in minutes: a day in all. */
const AGAIN_MIN = [1, 5, 15, 60, 180, 420, 760]
const YEAR_MS = 366 * 86_400_000

export const scheduleSchema = v.strictObject({
  revision: v.pipe(v.number(), v.integer()),
  page: alonePage,
  destination: v.optional(v.string(), WEB_HOST),
  note: v.optional(v.pipe(v.string(), v.trim(), v.maxLength(MAX_NOTE)), ''),
  at: v.pipe(v.string(), v.isoTimestamp()),
  zone: v.pipe(v.string(), v.check(isZone, 'not a time zone')),
})
export const unscheduleSchema = v.strictObject({ scheduled: v.string() })

function isZone(name: string): boolean {
  try {
    return new Intl.DateTimeFormat('en', { timeZone: name }).resolvedOptions().timeZone !== ''
  } catch {
    return false
  }
}

/** What goes live later, as the screen tells of it. */
export type ScheduledLine = Pick<Scheduled, 'id' | 'at' | 'zone' | 'note' | 'fault' | 'tries' | 'nextAt' | 'void'> & {
  /** The page that goes live alone, by its id. */
  readonly alone: string | null
}

export function scheduledLines(job: string, destination: string): ScheduledLine[] {
  return scheduledOf(job, destination).map(({ id, at, zone, note, fault, tries, nextAt, void: why, release }) => {
    const alone = lastAlone(getRelease(job, release))
    return { id, at, zone, note, fault, tries, nextAt, void: why, alone }
  })
}

/** Builds the site as the screen shows it now, to be published at a time; what is done until then is not in it. */
export async function schedulePublication(
  job: string,
  input: v.InferOutput<typeof scheduleSchema>,
  onProgress: OnProgress,
  { person, whence }: By,
): Promise<{}> {
  const { destination, note, at, zone } = input
  const ahead = Date.parse(at) - Date.now()
  if (ahead <= 0 || ahead > YEAR_MS) throw new Problem('timeWrong')
  const where = addressedAt(job, destination)
  return runTask(job, 'publish', input, async () => {
    const { id: release } = await presentRelease(job, input, where, onProgress)
    insertScheduled({ id: nanoid(12), job, destination, release, at: new Date(at).toISOString(), zone, person: person.id, note })
    noteAudit({ person: person.id, what: 'publication scheduled', about: where.address, address: whence.address })
    return {}
  })
}

export function unschedule(job: string, id: string): void {
  dropScheduled(job, id)
}

/**
 * Publishes what is due, in the name of whoever scheduled it. What was overtaken by something newer stays undone and says so; what fails
 * says why and is tried again, ever less often, in the end not any more.
 */
export async function publishDue(now: Date): Promise<void> {
  for (const due of dueBy(now.toISOString())) await publishOne(due, now)
}

async function publishOne({ id, job, destination, release, note, person, tries }: Scheduled, now: Date): Promise<void> {
  try {
    const asked = { release, note, destination, unlessOvertaken: id }
    await publish(job, asked, () => undefined, { person: { id: person }, whence: { address: 'scheduled' } })
    dropScheduled(job, id)
  } catch (error) {
    const { code, message } = reportProblem(error)
    if (code === 'overtaken') return makeVoid(id, 'overtaken')
    const wait = AGAIN_MIN[tries]
    noteFailed(id, message, wait === undefined ? null : new Date(now.getTime() + wait * 60_000).toISOString())
    if (wait === undefined) makeVoid(id, 'failed')
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
