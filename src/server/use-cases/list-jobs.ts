import type { Person } from '../../core/people'
import type { JobLine } from '../../core/replies'
import { jobsOf } from '../people/access'
import { countLeftovers } from '../../core/fill'
import { findTemplate, missingFor } from '../../core/pack'
import { factsOf } from '../../core/site'
import { originOf } from '../releases/where'
import { jobState } from '../log/edit-log'
import { pack, libraryVersion } from '../packs/packs'
import { getJob, listJobs, type Job } from '../store/jobs'
import { keepLine, keptLines, newestRevisions, type KeptLine, type Newest } from '../store/job-lines'
import { liveOfAll, type Live } from '../store/publications'

/**
 * Every job that somebody may see, on whatever shelf, oldest first. What was reckoned of one is kept until it or the packs change; one
 * that cannot be read is listed with why.
 */
export function listJobLines(by: Person): JobLine[] {
  const seen = jobsOf(by)
  const known = keptLines()
  const revisions = newestRevisions()
  const live = liveOfAll()
  return listJobs()
    .filter(({ id }) => seen === null || seen.has(id))
    .map((job) => toLine(job, revisions.get(job.id) ?? NOTHING, known.get(job.id), live.get(job.id)))
}

/** The name and live address of one job. */
export function findJobLine(id: string): JobLine {
  const job = getJob(id)
  return toLine(job, newestRevisions().get(id) ?? NOTHING, keptLines().get(id), liveOfAll().get(id))
}

const NOTHING: Newest = { revision: 0, at: null }

function toLine(job: Job, { revision, at }: Newest, known: KeptLine | undefined, live: Live | undefined): JobLine {
  const kept = {
    shelf: job.shelf,
    shelvedAt: job.shelvedAt,
    workedAt: at ?? job.createdAt,
    copiedAt: job.copyOf === null ? null : job.createdAt,
    liveUrl: live ? originOf(live) : null,
    lastReleaseAt: live?.switchedAt ?? null,
    releaseNumber: live?.number ?? null,
    editsSince: live ? Math.max(0, revision - live.revision) : null,
  }
  try {
    const isFresh = known?.revision === revision && known.packs === libraryVersion()
    const { name, trade, leftovers, missing } = isFresh ? known : reckon(job.id)
    const stage = leftovers === 0 && missing.length === 0 ? 'Publish' : revision === 0 && job.copyOf === null ? 'Brief' : 'Content'
    const counted = missing.length === 0 ? leftovers : null
    return { id: job.id, name, trade, leftovers: counted, stage, ...kept, trouble: troubleOf(missing) }
  } catch (error) {
    console.error(`Job ${job.id} cannot be listed`, error)
    const name = known?.name ?? 'A job that cannot be read'
    return {
      id: job.id,
      name,
      trade: '',
      leftovers: null,
      stage: 'Brief',
      ...kept,
      trouble: 'What is kept of this job cannot be read.',
    }
  }
}

function reckon(job: string): KeptLine {
  const { document, revision } = jobState(job)
  const facts = factsOf(document)
  const line: KeptLine = {
    job,
    revision,
    packs: libraryVersion(),
    name: facts.name ?? 'Unnamed client',
    trade: facts.trade ?? '',
    leftovers: findTemplate(pack(), document.dress.template) ? countLeftovers(pack(), document).total : 0,
    missing: missingFor(pack(), document),
  }
  keepLine(line)
  return line
}

function troubleOf(missing: readonly string[]): string | null {
  return missing.length === 0 ? null : `It wears ${missing.map((name) => `“${name}”`).join(', ')}, which is not here. Bring that pack in.`
}
