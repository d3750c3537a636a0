import type { Deed, Activity } from '../../core/replies'
import { describeEdit } from '../../core/ledger'
import { wordsOfEdit } from '../../core/site'
import { jobState } from '../log/edit-log'
import { pack } from '../packs/packs'
import { namedVersions } from '../store/named-versions'
import { jobSize } from '../store/job-size'
import { getJob } from '../store/jobs'
import { gestureLines, ITSELF, rowsSince } from '../store/log-rows'
import { namesOfPeople } from '../store/people'

const AT_ONCE = 60
const MOST_WORDS = 160

/** Who did what with a job, newest first, a page at a time: what began before a revision. */
export function activityOf(id: string, before: number): Activity {
  const { id: job } = getJob(id)
  const { document } = jobState(job)
  const names = namesOfPeople()
  const lines = gestureLines(job, before, AT_ONCE)
  const deeds = lines.map(({ first, last, at, who, undoes, bringsBack }): Deed => {
    const [row] = rowsSince(job, (undoes === null ? last : first) - 1, 1)
    if (!row) throw new Error(`Row ${last} of job ${job} is gone`)
    const { deed, where } = describeEdit(pack(), document, row.edit)
    const all = wordsOfEdit(row.edit).join(' · ')
    const words = all.length > MOST_WORDS ? `${all.slice(0, MOST_WORDS).trimEnd()} …` : all
    const sentence = undoes === null ? deed : `${bringsBack ? 'brought back' : 'took back'}: ${deed}`
    return {
      first,
      last,
      at,
      who: who === null ? 'the start' : who === ITSELF ? 'Instant Fit' : (names.get(who) ?? 'somebody'),
      deed: sentence,
      where,
      words,
    }
  })
  return { deeds, isAll: lines.length < AT_ONCE, size: jobSize(job), versions: namedVersions(job) }
}
