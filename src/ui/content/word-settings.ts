import { useCallback } from 'react'
import { toast } from 'sonner'
import { shownChip } from '@/core/fill'
import { anchorSteps } from '@/core/plan'
import { allowedIn, type Allowed } from '@/core/rich'
import { dayOf, findSection, type ChipFact, type LinkTarget, type SectionId, type SiteDocument, type SlotPlace } from '@/core/site'
import { useJobStore } from '../job/job-context'
import type { JobState } from '../job/job-state'
import type { JobStore } from '../job/job-store'
import { count } from '../parts/words'

const known = new Map<string, Allowed>()

/** What a rich place takes; the same object each time, so that nothing is drawn again for it. */
export function allowedAt(document: SiteDocument, { section, slot }: SlotPlace): Allowed {
  const kind = findSection(document, section)?.kind ?? 'story'
  const key = `${kind} ${slot}`
  let allowed = known.get(key)
  if (!allowed) known.set(key, (allowed = allowedIn(kind, slot)))
  return allowed
}

/** What a chip shows on this job's pages today. */
export function chipOf({ document, pack, assets }: JobState, fact: ChipFact): string {
  return shownChip({ document, pack, assets, mode: 'sheet', today: dayOf(new Date()) }, fact)
}

export function useChip(): (fact: ChipFact) => string {
  const store = useJobStore()
  return useCallback((fact) => chipOf(store.getState(), fact), [store])
}

/** A section that is led to gets a name that links find it by, in the gesture that leads there. */
export function nameTarget(store: JobStore, to: LinkTarget, gesture: string): void {
  if (to.type !== 'section') return
  const edits = anchorSteps(store.getState().document, to.section as SectionId)
  if (edits.length > 0) store.apply({ type: 'batch', edits }, gesture)
}

export function sayLeft(words: number): void {
  toast(`${count(words, 'word')} of what was pasted had no room here and ${words === 1 ? 'was' : 'were'} left out.`)
}
