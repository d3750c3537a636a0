import { emptyAll, fillDown, settleAll, wordsListed, type Listed } from '@/core/ledger'
import type { EditStep } from '@/core/site'
import type { JobStore } from '../job/job-store'
import { notice } from '../parts/notice'
import { count } from '../parts/words'

export type RangeAct = 'fillDown' | 'empty' | 'settle'
const DID: Readonly<Record<RangeAct, string>> = { fillDown: 'filled', empty: 'emptied', settle: 'kept or confirmed' }

/** Does one thing with all chosen places, as one gesture. */
export function actOnRange(store: JobStore, chosen: readonly Listed[], act: RangeAct): void {
  const edits = editsOf(store, chosen, act)
  const gesture = edits.length === 0 ? null : store.apply({ type: 'batch', edits })
  if (gesture) notice(`${count(edits.length, 'place')} ${DID[act]}.`, 'Undo', () => void store.undo(gesture))
}

function editsOf(store: JobStore, chosen: readonly Listed[], act: RangeAct): readonly EditStep[] {
  const { pack, document } = store.getState()
  switch (act) {
    case 'fillDown':
      return fillDown(chosen, (listed) => wordsListed(pack, document, listed))
    case 'empty':
      return emptyAll(chosen)
    case 'settle':
      return settleAll(pack, document, chosen)
    default:
      return act satisfies never
  }
}
