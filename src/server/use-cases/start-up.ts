import { finishOpen } from '../releases/finish-open'
import { openPublications } from '../store/publications'
import { endCutOffTasks } from '../tasks/run-task'
import { completeJobs } from './complete-jobs'

/** What is done once when the application starts: jobs of an earlier day are completed; what a crash cut off is finished or taken back. */
export function startUp(): void {
  completeJobs()
  endCutOffTasks()
  if (openPublications().length > 0) void finishOpen()
}
