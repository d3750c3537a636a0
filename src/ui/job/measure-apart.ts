import { createStore } from 'zustand/vanilla'
import type { SiteDocument } from '@/core/site'
import { followHolds } from './follow-holds'
import { followMenu } from './follow-menu'
import type { JobState } from './job-state'

/** A job in a state that no sheet shows, once it is measured: where its menu fits, and how its texts are held. */
export function measureApart(state: JobState, document: SiteDocument, signal: AbortSignal): Promise<JobState> {
  const apart = createStore<JobState>(() => ({ ...state, document, menuFit: null, holds: null, lookedAt: null, heldTexts: new Map() }))
  const stops = [followMenu(apart), followHolds(apart)]
  const stop = (): void => stops.forEach((end) => end())
  return new Promise((resolve, reject) => {
    signal.addEventListener('abort', () => reject(signal.reason as Error), { once: true })
    apart.subscribe((now) => {
      if (now.menuFit && now.holds) resolve(now)
    })
  }).finally(stop) as Promise<JobState>
}
