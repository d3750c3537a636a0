'use client'
import { ChevronDown } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import { createContext, use, useRef, type ReactNode, type RefObject } from 'react'
import { buttonClass } from '../parts/button'

/** Whether an act was chosen from the list that is open. */
const Chosen = createContext<RefObject<boolean> | null>(null)

type Props = {
  readonly label: string
  readonly disabled?: boolean
  /** What is in hand once an act is done; the button itself where this is left out, and where none was chosen. */
  readonly handTo?: () => HTMLElement | null
  readonly children: ReactNode
}

/** A button that opens a list of acts. */
export function Menu({ label, disabled = false, handTo, children }: Props) {
  const chosen = useRef(false)
  const close = (event: Event): void => {
    const next = chosen.current ? (handTo?.() ?? null) : null
    chosen.current = false
    if (!next) return
    event.preventDefault()
    next.focus()
  }
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
          onCloseAutoFocus={close}
          className="z-30 max-h-96 min-w-48 overflow-y-auto border border-ink bg-cloth py-1"
        >
          <Chosen value={chosen}>{children}</Chosen>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}

export function Item({ onSelect, children }: { onSelect: () => void; children: ReactNode }) {
  const chosen = use(Chosen)
  return (
    <DropdownMenu.Item
      onSelect={() => {
        if (chosen) chosen.current = true
        onSelect()
      }}
      className="block max-w-80 truncate px-3 py-1.5 text-sm outline-none data-[disabled]:text-soft data-[highlighted]:bg-tape"
    >
      {children}
    </DropdownMenu.Item>
  )
}
