'use client'
import { Command } from 'cmdk'
import { Repeat2 } from 'lucide-react'
import { Popover } from 'radix-ui'
import { useMemo, useRef, useState } from 'react'
import type { LedgerRow } from '@/core/fill'
import { findAmong, linkTo, sourceChoices, type SourceChoice } from '@/core/plan'
import { useJobStore } from '../job/job-context'
import { inputClass } from '../parts/field'
import { notice } from '../parts/notice'
import { Panel } from '../parts/panel'
import { OF_ROW_IN_HAND } from './row-look'

/** What a place can be made the same as, picked by typing. */
export function SameAs({ row, title }: { readonly row: LedgerRow; readonly title: string }) {
  const store = useJobStore()
  const [open, setOpen] = useState(false)
  const label = `${title}: ${row.label}, the same as`
  const trigger = useRef<HTMLButtonElement>(null)
  const pick = ({ as, title: said }: SourceChoice): void => {
    const { section, entry, slot } = row.stands
    const place = trigger.current?.closest<HTMLElement>('[data-row]')
    const gesture = store.apply(linkTo(store.getState().document, { section, entry, slot }, as))
    setOpen(false)
    if (!gesture) return
    notice(`It says the same as “${said}” now, and changes with it.`, 'Undo', () => void store.undo(gesture))
    // The button goes with what it was for; its row stays.
    requestAnimationFrame(() => place?.focus())
  }
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        ref={trigger}
        className={
          'grid size-6 shrink-0 place-items-center rounded-sm border border-clear text-soft hover:border-ink hover:bg-tape ' +
          `hover:text-ink data-[state=open]:border-ink ${row.type === 'list' ? '' : OF_ROW_IN_HAND}`
        }
        aria-label={label}
        title="Say the same as another place, and change with it"
      >
        <Repeat2 size={14} aria-hidden />
      </Popover.Trigger>
      <Panel align="end" aria-label={label} className="flex max-h-[min(26rem,var(--radix-popover-content-available-height))] w-96 flex-col">
        {open && <Choices row={row} label={label} onPick={pick} />}
      </Panel>
    </Popover.Root>
  )
}

type ChoicesProps = { readonly row: LedgerRow; readonly label: string; readonly onPick: (choice: SourceChoice) => void }

function Choices({ row, label, onPick }: ChoicesProps) {
  const store = useJobStore()
  const [asked, setAsked] = useState('')
  const { section, entry, slot } = row.stands
  const all = useMemo(() => {
    const { pack, document } = store.getState()
    return sourceChoices(pack, document, { section, entry, slot })
  }, [store, section, entry, slot])
  const found = findAmong(all, asked, 40)
  const what = row.type === 'list' ? 'list' : 'place'
  return (
    <Command label={label} shouldFilter={false} loop className="flex min-h-0 flex-col">
      <Command.Input
        autoFocus
        value={asked}
        onValueChange={setAsked}
        maxLength={200}
        className={`${inputClass} rounded-none! border-0! border-b!`}
        placeholder={`The ${what} that it is the same as`}
        data-own-undo
      />
      <Command.List className="min-h-0 overflow-y-auto" label={label}>
        {found.length === 0 && (
          <p className="px-3 py-2.5 text-sm text-soft" role="status">
            {all.length === 0 ? nothingYet(row) : `No ${what} of this kind says “${asked}”.`}
          </p>
        )}
        {found.map((one) => {
          const key = JSON.stringify(one.as)
          return (
            <Command.Item
              key={key}
              value={key}
              onSelect={() => onPick(one)}
              className="flex cursor-pointer items-baseline justify-between gap-4 px-3 py-1.5 text-sm data-[selected=true]:bg-tape"
            >
              <span className="truncate" dir="auto">
                {one.title}
              </span>
              <span className="max-w-48 shrink-0 truncate text-xs text-soft">{one.detail}</span>
            </Command.Item>
          )
        })}
      </Command.List>
    </Command>
  )
}

function nothingYet({ type }: LedgerRow): string {
  return type === 'list' ? 'No other list of this site has entries of this kind.' : 'No other place of this kind is filled yet.'
}
