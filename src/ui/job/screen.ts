import { tellEach } from '../parts/tell-each'
import { afterPaint } from '../parts/turns'
import type { JobState } from './job-state'
import type { JobStore } from './job-store'

/** A job as the screen around the sheets follows it. */
export type Screen = Pick<JobStore, 'getState' | 'getInitialState' | 'subscribe'> & {
  /** Makes a change that the sheets show at once; all around them follows when that is painted, so that no letter waits for it. */
  readonly afterSheets: <T>(change: () => T) => T
}

export function screenOf(store: JobStore): Screen {
  const listeners = new Set<(now: JobState, before: JobState) => void>()
  let told = store.getState()
  let isOnSheet = false
  let isWaiting = false
  const tell = (): void => {
    const [now, before] = [store.getState(), told]
    told = now
    isWaiting = false
    if (now !== before) tellEach(listeners, now, before)
  }
  store.subscribe(() => {
    if (!isOnSheet) return tell()
    if (!isWaiting) afterPaint(tell)
    isWaiting = true
  })
  return {
    getState: store.getState,
    getInitialState: store.getInitialState,
    subscribe: (listener) => {
      listeners.add(listener)
      return () => void listeners.delete(listener)
    },
    afterSheets: (change) => {
      isOnSheet = true
      try {
        return change()
      } finally {
        isOnSheet = false
      }
    },
  }
}
