'use client'
import { ArrowDown, ArrowUp, Ellipsis, GripVertical, Plus, X } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import type { LedgerRow } from '@/core/fill'
import { useEntryDrag } from './entry-drag'
import type { SlotActions } from './slot-actions'

type Props = { readonly row: LedgerRow; readonly entry: NonNullable<LedgerRow['entry']>; readonly actions: SlotActions }

const BUTTON = 'rounded-sm border border-clear p-0.5 text-soft hover:border-ink hover:text-ink data-[state=open]:border-ink'
const ITEM = 'block cursor-pointer px-3 py-1.5 text-sm outline-none data-[highlighted]:bg-tape'

/** The first row of an entry: what the entry is called, and what can be done with it. It is carried by its grip. */
export function EntryLabel({ row, entry, actions }: Props) {
  const { grip, spot, isCarried } = useEntryDrag(row, entry)
  const { number, hidden } = entry
  return (
    <span ref={spot.ref} className={`relative flex items-start justify-between gap-1 ${isCarried ? 'opacity-40' : ''}`}>
      {spot.said && (
        <span className="absolute -start-3 -top-1 z-10 border border-ink bg-tape px-1.5 py-0.5 text-sm">
          {spot.said} entry {number}
        </span>
      )}
      <span className="flex min-w-0 items-start">
        <span {...grip} className="-ms-3.5 cursor-grab touch-none text-seam hover:text-ink" title="Carry the entry">
          <GripVertical size={14} aria-hidden className="mt-0.5" />
        </span>
        <span className={`min-w-0 ${hidden ? 'text-soft line-through decoration-1' : ''}`}>{row.label}</span>
      </span>
      <span className="flex shrink-0">
        <Tool label={`Move entry ${number} up`} icon={ArrowUp} onPress={() => actions.actOnItem(row, 'up')} />
        <Tool label={`Move entry ${number} down`} icon={ArrowDown} onPress={() => actions.actOnItem(row, 'down')} />
        <Tool label={`Add an entry after ${number}`} icon={Plus} onPress={() => actions.addItem(row)} />
        <Tool label={`Remove entry ${number}`} icon={X} onPress={() => actions.actOnItem(row, 'out')} />
        <DropdownMenu.Root>
          <DropdownMenu.Trigger className={BUTTON} aria-label={`More for entry ${number}`} title="More">
            <Ellipsis size={12} aria-hidden />
          </DropdownMenu.Trigger>
          <DropdownMenu.Portal>
            <DropdownMenu.Content align="start" className="z-30 min-w-40 border border-ink bg-cloth py-1">
              <DropdownMenu.Item className={ITEM} onSelect={() => actions.actOnItem(row, 'copy')}>
                Duplicate
              </DropdownMenu.Item>
              <DropdownMenu.Item className={ITEM} onSelect={() => actions.actOnItem(row, hidden ? 'show' : 'hide')}>
                {hidden ? 'Show to visitors again' : 'Hide from visitors'}
              </DropdownMenu.Item>
            </DropdownMenu.Content>
          </DropdownMenu.Portal>
        </DropdownMenu.Root>
      </span>
    </span>
  )
}

type ToolProps = { readonly label: string; readonly icon: typeof Plus; readonly onPress: () => void }

function Tool({ label, icon: Icon, onPress }: ToolProps) {
  return (
    <button type="button" className={BUTTON} aria-label={label} title={label} onClick={onPress}>
      <Icon size={12} aria-hidden />
    </button>
  )
}
