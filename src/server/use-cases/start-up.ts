import { kept } from '../files/kept'
import { finishOpen } from '../releases/finish-open'
import { openPublications } from '../store/publications'
import { endCutOffTasks } from '../tasks/run-task'
import { completeJobs } from './complete-jobs'
import { emptyBin } from './shelve-job'

const DAY_MS = 86_400_000

/**
 * What is done once when the application starts: what has lain in the bin for its days goes (and again each day); jobs of an earlier day
 * are completed; what a crash cut off is finished or taken back.
 */
export function startUp(): void {
  emptyBin(new Date())
  kept('bin-day', () => setInterval(() => emptyBin(new Date()), DAY_MS).unref())
  completeJobs()
  endCutOffTasks()
  if (openPublications().length > 0) void finishOpen()
}
