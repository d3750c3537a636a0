'use client'
import { Check, ChevronDown, ChevronRight } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import { createContext, use, useRef, type ReactNode, type RefObject } from 'react'
import { buttonClass } from '../parts/button'

/** What was chosen from the list that is open: an act that is done, or a view that opens once the list is gone, and takes the focus. */
type Chosen = 'act' | (() => void) | null
const ChosenContext = createContext<RefObject<Chosen> | null>(null)

type Props = {
  readonly label: string
  /** Why there is nothing to choose now; null where there is. */
  readonly why?: string | null
  /** What is in hand once an act is done; the button itself where this is left out, and where none was chosen. */
  readonly handTo?: () => HTMLElement | null
  readonly children: ReactNode
}

/** A button that opens a list of acts. */
export function Menu({ label, why = null, handTo, children }: Props) {
  const chosen = useRef<Chosen>(null)
  const close = (event: Event): void => {
    const was = chosen.current
    chosen.current = null
    if (typeof was === 'function') {
      event.preventDefault()
      return was()
    }
    const next = was === 'act' ? (handTo?.() ?? null) : null
    if (!next) return
    event.preventDefault()
    next.focus()
  }
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className={buttonClass('quiet')} disabled={why !== null} title={why ?? undefined}>
        {label}
        <ChevronDown size={13} aria-hidden />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="start" sideOffset={2} onCloseAutoFocus={close} className={LIST}>
          <ChosenContext value={chosen}>{children}</ChosenContext>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}

/** Acts of one sort, in a list of their own beside the others. */
export function SubMenu({ label, why, children }: { label: string; why: string | null; children: ReactNode }) {
  return (
    <DropdownMenu.Sub>
      <DropdownMenu.SubTrigger disabled={why !== null} className={LOOK}>
        <span className="flex items-center justify-between gap-3">
          {label}
          <ChevronRight size={13} aria-hidden />
        </span>
        {why !== null && <span className="block text-xs">{why}</span>}
      </DropdownMenu.SubTrigger>
      <DropdownMenu.Portal>
        <DropdownMenu.SubContent collisionPadding={8} className={LIST}>
          {children}
        </DropdownMenu.SubContent>
      </DropdownMenu.Portal>
    </DropdownMenu.Sub>
  )
}

const LIST = 'z-30 max-h-96 min-w-48 overflow-y-auto border border-ink bg-cloth py-1'
const LOOK = 'block max-w-80 truncate px-3 py-1.5 text-sm outline-none data-[disabled]:text-soft data-[highlighted]:bg-tape'

type ItemProps = {
  readonly onSelect: () => void
  /** It opens a view, which takes the focus. */
  readonly opens?: boolean
  /** Why it cannot be chosen now; null where it can. */
  readonly why?: string | null
  readonly children: ReactNode
}

export function Item({ onSelect, opens = false, why = null, children }: ItemProps) {
  const chosen = use(ChosenContext)
  const select = (): void => {
    if (chosen) chosen.current = opens ? onSelect : 'act'
    if (!chosen || !opens) onSelect()
  }
  return (
    <DropdownMenu.Item onSelect={select} disabled={why !== null} className={LOOK}>
      {children}
      {why !== null && <span className="block text-xs">{why}</span>}
    </DropdownMenu.Item>
  )
}

/** A choice that is on or off. */
export function CheckItem({ checked, onCheck, children }: { checked: boolean; onCheck: (checked: boolean) => void; children: ReactNode }) {
  return (
    <DropdownMenu.CheckboxItem checked={checked} onCheckedChange={onCheck} className={`${LOOK} flex items-center gap-2`}>
      <span className="flex w-4 items-center">
        <DropdownMenu.ItemIndicator>
          <Check size={14} aria-hidden />
        </DropdownMenu.ItemIndicator>
      </span>
      {children}
    </DropdownMenu.CheckboxItem>
  )
}
