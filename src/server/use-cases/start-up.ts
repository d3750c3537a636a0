import { keepRenewing } from '../domains/certificates/renew'
import { forget, kept } from '../files/kept'
import { tellSoon } from '../notices/notices'
import { parseStalePacks } from '../packs/packs'
import { keepReaderWarm } from '../readers/read-outside'
import { finishOpen } from '../releases/finish-open'
import { collectGarbage } from '../releases/collect-garbage'
import { isCopy } from '../store/db'
import { openPublications } from '../store/publications'
import { endCutOffTasks } from '../tasks/run-task'
import { checkAndRepair } from './check'
import { completeJobs } from './complete-jobs'
import { keepPublishingDue } from './schedule-publication'
import { emptyBin } from './job-status'
import { clearIncoming } from './import-job'
import { findTrouble, onlyToRead } from './trouble'

const DAY_MS = 86_400_000
const AGAIN_MS = 10_000

/**
 * Starts up, or says why it cannot, and tries again until it can: a disk that was full is not for ever. Meanwhile what can be read is
 * shown; what was read as a copy is let go once it can be written.
 */
export async function startWhenItCan(): Promise<void> {
  const trouble = onlyToRead() ?? findTrouble()
  if (trouble === null) {
    if (isCopy()) for (const name of ['db', 'job-states']) forget(name)
    await parseStalePacks()
    return startUp()
  }
  console.error(trouble)
  setTimeout(() => void startWhenItCan(), AGAIN_MS).unref()
}

/**
 * What is done once when the application starts: what was cut off while it was read in goes, and what has lain in the bin for its days
 * (again each day); jobs of an earlier day are completed; what a crash cut off is finished or taken back; certificates are renewed, what
 * is scheduled goes out at its time, and search engines are told what they did not take yet; what nobody needs is let go; what is kept is
 * checked.
 */
export function startUp(): void {
  keepReaderWarm()
  clearIncoming()
  emptyBin(new Date())
  kept('bin-day', () => setInterval(() => emptyBin(new Date()), DAY_MS).unref())
  void completeJobs()
  endCutOffTasks()
  if (openPublications().length > 0) void finishOpen()
  keepRenewing()
  keepPublishingDue()
  tellSoon(0)
  collectGarbage(new Date())
  void checkAndRepair()
}
