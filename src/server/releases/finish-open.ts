import { destinationOf } from '../destinations/registry'
import { kept } from '../files/kept'
import { openPublications } from '../store/publications'
import { getRelease } from '../store/releases'
import { runTask } from '../tasks/run-task'
import { carryOut } from './carry-out'

const AGAIN_MS = 5000
const MOST_MS = 120_000

type Waiting = { timer: NodeJS.Timeout | null; afterMs: number }
const waiting = (): Waiting => kept('open-publications', () => ({ timer: null, afterMs: AGAIN_MS }))

/**
 * Finishes what was begun and cut off: publications whose switch was not noted, and old addresses whose visitors are not
 * sent on yet. What the host does not take now is tried again, ever less often, until it is done.
 */
export async function finishOpen(): Promise<void> {
  for (const publication of openPublications()) {
    const { job, release } = publication
    try {
      await runTask(job, 'publish', { finish: publication.id }, () =>
        carryOut(destinationOf(publication.destination), publication, getRelease(job, release), () => undefined),
      )
    } catch (error) {
      console.error(`The publication ${publication.id} is not finished yet: ${error instanceof Error ? error.message : String(error)}`)
    }
  }
  if (openPublications().length > 0) finishLater()
  else waiting().afterMs = AGAIN_MS
}

/** Asks again after a while. */
export function finishLater(): void {
  const wait = waiting()
  if (wait.timer !== null) return
  wait.timer = setTimeout(() => {
    wait.timer = null
    wait.afterMs = Math.min(MOST_MS, wait.afterMs * 2)
    void finishOpen()
  }, wait.afterMs)
  wait.timer.unref()
}
