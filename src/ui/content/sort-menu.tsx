'use client'
import { ChevronDown } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import type { SortBy } from '@/core/plan'
import { buttonClass } from '../parts/button'

type Props = { readonly sorts: readonly SortBy[]; readonly onSort: (by: SortBy) => void }

/** By what a list can be put in order. */
export function SortMenu({ sorts, onSort }: Props) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className={buttonClass('quiet')}>
        Sort
        <ChevronDown size={13} aria-hidden />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="start" sideOffset={2} className="z-30 min-w-32 border border-ink bg-cloth py-1">
          {sorts.map((by) => (
            <DropdownMenu.Item
              key={by}
              className="block cursor-pointer px-3 py-1.5 text-sm outline-none data-[highlighted]:bg-tape"
              onSelect={() => onSort(by)}
            >
              By {by}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}
