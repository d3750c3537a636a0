import { finishOpen } from '../releases/finish-open'
import { openPublications } from '../store/publications'
import { endCutOffTasks } from '../tasks/run-task'

/** What is done once when the application starts: what a crash cut off is finished or taken back. */
export function startUp(): void {
  endCutOffTasks()
  if (openPublications().length > 0) void finishOpen()
}
