'use client'
import { toTable, toTableHtml, toTsv } from '@/core/ledger'
import { actOnEntries, type EntryAct } from '@/core/plan'
import { stepsOf } from '@/core/site'
import { useJobStore } from '../job/job-context'
import { Button } from '../parts/button'
import { notice, refusal } from '../parts/notice'
import { count } from '../parts/words'
import { actOnRange } from './act-on-range'
import { chosenEntries, type ChosenEntries } from './chosen-entries'
import { chooseNone, useRange, useRangeStore } from './range'
import { newEntryId } from './slot-actions'

/** What can be done with all that is chosen, in place of the names of the columns. */
export function RangeBar() {
  const store = useJobStore()
  const range = useRangeStore()
  const [listed, keys] = [useRange((r) => r.listed), useRange((r) => r.chosen)]
  const chosen = listed.filter(({ key }) => keys.has(key))
  const entries = chosenEntries({ listed, chosen: keys })
  const copy = async (): Promise<void> => {
    const { pack, document } = store.getState()
    const table = toTable(pack, document, chosen)
    try {
      await navigator.clipboard.write([
        new ClipboardItem({ 'text/plain': blob('text/plain', toTsv(table)), 'text/html': blob('text/html', toTableHtml(table)) }),
      ])
    } catch {
      refusal('The browser did not let it be copied. Press Ctrl+C on the chosen rows.')
    }
  }
  return (
    <div
      role="toolbar"
      aria-label="Chosen places"
      className="sticky top-0 z-10 flex min-h-9 flex-wrap items-center gap-1.5 border-b border-ink bg-tape-pale px-4"
    >
      <span className="me-2 text-sm font-semibold" role="status">
        {count(chosen.length, 'place')} chosen
      </span>
      <Act onPress={() => void copy()}>Copy</Act>
      <Act onPress={() => actOnRange(store, chosen, 'fillDown')}>Fill down</Act>
      <Act onPress={() => actOnRange(store, chosen, 'settle')}>Keep or confirm</Act>
      <Act onPress={() => actOnRange(store, chosen, 'empty')}>Not needed</Act>
      {entries.length > 0 && <EntryActs of={entries} />}
      <Button look="quiet" className="ms-auto py-0.5!" onClick={() => chooseNone(range)}>
        Deselect
      </Button>
    </div>
  )
}

/** What can be done with the entries that are chosen, each as a whole. */
function EntryActs({ of }: { readonly of: readonly ChosenEntries[] }) {
  const store = useJobStore()
  const [total, hidden] = [of.reduce((sum, { keys }) => sum + keys.length, 0), of.reduce((sum, list) => sum + list.hidden, 0)]
  const act = (how: EntryAct, did: string): void => {
    const { pack, document } = store.getState()
    const edits = of.flatMap((list) => actOnEntries(pack, document, list, list.keys, how, newEntryId) ?? []).flatMap(stepsOf)
    const gesture = edits.length > 0 ? store.apply({ type: 'batch', edits }) : null
    if (gesture) notice(`${did} ${count(total, 'entry', 'entries')}.`, 'Undo', () => void store.undo(gesture))
  }
  return (
    <span role="group" aria-label="Their entries" className="flex items-center gap-1.5 border-s border-ink ps-2.5">
      <span className="me-1 text-sm">{count(total, 'entry', 'entries')}:</span>
      <Act onPress={() => act('copy', 'Duplicated')}>Duplicate</Act>
      <Act onPress={() => (hidden === total ? act('show', 'Shown:') : act('hide', 'Hidden:'))}>{hidden === total ? 'Show' : 'Hide'}</Act>
      <Act onPress={() => act('up', 'Moved')}>Up</Act>
      <Act onPress={() => act('down', 'Moved')}>Down</Act>
      <Act onPress={() => act('out', 'Removed')}>Remove</Act>
    </span>
  )
}

function Act({ onPress, children }: { readonly onPress: () => void; readonly children: string }) {
  return (
    <Button className="px-2! py-0.5!" onClick={onPress}>
      {children}
    </Button>
  )
}

function blob(type: string, text: string): Blob {
  return new Blob([text], { type })
}
