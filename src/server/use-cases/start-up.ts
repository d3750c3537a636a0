import { kept } from '../files/kept'
import { finishOpen } from '../releases/finish-open'
import { thinOut } from '../releases/thin-out'
import { openPublications } from '../store/publications'
import { endCutOffTasks } from '../tasks/run-task'
import { checkAndRepair } from './check'
import { completeJobs } from './complete-jobs'
import { emptyBin } from './shelve-job'
import { findTrouble } from './trouble'

const DAY_MS = 86_400_000
const AGAIN_MS = 10_000

/** Starts up, or says why it cannot, and tries again until it can: a disk that was full is not for ever. */
export function startWhenItCan(): void {
  const trouble = findTrouble()
  if (trouble === null) return startUp()
  console.error(trouble)
  setTimeout(startWhenItCan, AGAIN_MS).unref()
}

/**
 * What is done once when the application starts: what has lain in the bin for its days goes (and again each day); jobs of an earlier day
 * are completed; what a crash cut off is finished or taken back; what nobody needs is let go; what is kept is checked.
 */
export function startUp(): void {
  emptyBin(new Date())
  kept('bin-day', () => setInterval(() => emptyBin(new Date()), DAY_MS).unref())
  completeJobs()
  endCutOffTasks()
  if (openPublications().length > 0) void finishOpen()
  thinOut(new Date())
  void checkAndRepair()
}
