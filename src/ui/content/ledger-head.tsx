'use client'
import { ChevronDown, Search, X } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import { useState } from 'react'
import { isWanted, SHOWS, type Known, type ListedGroup, type Shows, type Wanted } from '@/core/ledger'
import { useWordsAt } from '../words/word-hand'
import { ROW_GRID } from './row-look'
import type { Grouped } from './use-listing'
import { WordSpot } from './word-spot'

const SAID: Readonly<Record<Shows, string>> = {
  all: 'All',
  leftovers: 'Leftovers',
  drafts: 'Drafts',
  long: 'Longer than designed',
  pictures: 'Pictures',
  links: 'Links',
  empty: 'Not needed',
  changed: 'Changed since the release',
}

type Props = {
  readonly wanted: Wanted
  readonly grouped: Grouped
  /** All that is listed under the tab, and what is known of it, for the number of each sort. */
  readonly all: () => { readonly groups: readonly ListedGroup[]; readonly known: Known }
  readonly onWant: (wanted: Wanted) => void
  readonly onGroup: (grouped: Grouped) => void
}

/** What the columns are, and which places are listed; while words are typed in below, what can be done with them stands over theirs. */
export function LedgerHead({ wanted, onWant, ...menu }: Props) {
  const isTyping = useWordsAt('ledger') !== null
  return (
    <div className={`${ROW_GRID} sticky top-0 z-10 min-h-9 items-center border-b border-seam bg-cloth pe-3 ps-4 text-sm text-soft`}>
      <label className="relative -ms-1.5 block">
        <span className="sr-only">Find a place</span>
        <Search size={13} aria-hidden className="pointer-events-none absolute start-1.5 top-1.5" />
        <input
          type="search"
          data-own-undo
          value={wanted.words}
          maxLength={120}
          placeholder="Find a place"
          dir="auto"
          className={
            'w-full rounded-sm border border-clear bg-clear py-0.5 ps-6 pe-1 text-ink hover:border-seam ' +
            'focus:border-ink focus:bg-white'
          }
          onChange={(event) => onWant({ ...wanted, words: event.target.value })}
          onKeyDown={(event) => {
            if (event.key !== 'Escape' || wanted.words === '') return
            event.stopPropagation()
            onWant({ ...wanted, words: '' })
          }}
        />
      </label>
      <span aria-hidden>Template</span>
      {isTyping ? <WordSpot spot="ledger" /> : <span aria-hidden>Client</span>}
      <span aria-hidden>Lines used/designed</span>
      <ShowMenu wanted={wanted} onWant={onWant} {...menu} />
    </div>
  )
}

const ITEM =
  'flex items-baseline gap-3 py-1.5 pe-3 ps-7 text-sm outline-none data-[highlighted]:bg-tape relative ' +
  'data-[state=checked]:before:absolute data-[state=checked]:before:start-3 data-[state=checked]:before:content-["✓"]'

/** Which sort of place is listed, with how many there are of each, and how they are put together. */
function ShowMenu({ wanted, grouped, all, onWant, onGroup }: Props) {
  const [counts, setCounts] = useState<ReadonlyMap<Shows, number>>(new Map())
  const isNarrowed = wanted.show !== 'all'
  return (
    <div className="flex items-center gap-1">
      <DropdownMenu.Root onOpenChange={(isOpen) => isOpen && setCounts(countShows(all(), wanted.words))}>
        <DropdownMenu.Trigger
          className={
            'flex min-w-0 items-center gap-1.5 rounded-sm border px-1.5 py-0.5 font-semibold text-ink hover:border-ink ' +
            (isNarrowed ? 'border-ink bg-tape' : 'border-seam')
          }
        >
          <span className="truncate">Show: {SAID[wanted.show].toLowerCase()}</span>
          <ChevronDown size={13} aria-hidden className="shrink-0" />
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content align="end" sideOffset={2} className="z-30 min-w-60 border border-ink bg-cloth py-1">
            <DropdownMenu.RadioGroup
              aria-label="Show"
              value={wanted.show}
              onValueChange={(show) => onWant({ ...wanted, show: show as Shows })}
            >
              {SHOWS.map((show) => (
                <DropdownMenu.RadioItem key={show} value={show} className={ITEM}>
                  {SAID[show]} <span className="ms-auto font-mono text-xs text-soft">{counts.get(show)}</span>
                </DropdownMenu.RadioItem>
              ))}
            </DropdownMenu.RadioGroup>
            <DropdownMenu.Separator className="my-1 border-t border-seam" />
            <DropdownMenu.RadioGroup aria-label="Group" value={grouped} onValueChange={(by) => onGroup(by as Grouped)}>
              <DropdownMenu.RadioItem value="section" className={ITEM}>
                Group by section
              </DropdownMenu.RadioItem>
              <DropdownMenu.RadioItem value="kind" className={ITEM}>
                Group by kind
              </DropdownMenu.RadioItem>
            </DropdownMenu.RadioGroup>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      {isNarrowed && (
        <button
          type="button"
          aria-label="Show all again"
          className="rounded-sm border border-clear p-1 hover:border-ink"
          onClick={() => onWant({ ...wanted, show: 'all' })}
        >
          <X size={13} aria-hidden />
        </button>
      )}
    </div>
  )
}

function countShows({ groups, known }: ReturnType<Props['all']>, words: string): ReadonlyMap<Shows, number> {
  const counted = SHOWS.filter((show) => show !== 'changed' || known.changed !== null)
  return new Map(
    counted.map((show) => [
      show,
      groups.reduce((sum, group) => sum + group.listed.filter((one) => isWanted({ show, words }, group, one, known)).length, 0),
    ]),
  )
}
