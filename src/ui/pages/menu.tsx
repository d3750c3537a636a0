'use client'
import { ChevronDown } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import type { ReactNode } from 'react'
import { buttonClass } from '../parts/button'

/** A button that opens a list of acts. */
export function Menu({ label, disabled = false, children }: { label: string; disabled?: boolean; children: ReactNode }) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className={buttonClass('quiet')} disabled={disabled}>
        {label}
        <ChevronDown size={13} aria-hidden />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="start"
          sideOffset={2}
          className="z-30 max-h-96 min-w-48 overflow-y-auto border border-ink bg-cloth py-1"
        >
          {children}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}

export function Item({ onSelect, children }: { onSelect: () => void; children: ReactNode }) {
  return (
    <DropdownMenu.Item
      onSelect={onSelect}
      className="block max-w-80 truncate px-3 py-1.5 text-sm outline-none data-[disabled]:text-soft data-[highlighted]:bg-tape"
    >
      {children}
    </DropdownMenu.Item>
  )
}
