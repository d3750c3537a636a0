'use client'
import { ChevronRight } from 'lucide-react'
import { Collapsible } from 'radix-ui'
import { useId, useState, type ReactNode } from 'react'

type Props = {
  readonly title: string
  /** What is to be known of it while it is folded. */
  readonly said?: string
  readonly beginsOpen?: boolean
  readonly children: ReactNode
}

/** What is rarely needed: its heading alone until it is opened, and nothing is asked or drawn for it before. */
export function Fold({ title, said, beginsOpen = false, children }: Props) {
  const id = useId()
  const [isOpen, setOpen] = useState(beginsOpen)
  return (
    <Collapsible.Root open={isOpen} onOpenChange={setOpen} className="border-t border-seam">
      <h3>
        <Collapsible.Trigger className="group/fold flex w-full items-center gap-1.5 py-2.5 text-start text-sm hover:bg-tape">
          <ChevronRight size={14} aria-hidden className="shrink-0 group-data-[state=open]/fold:rotate-90" />
          <span id={id} className="shrink-0 font-semibold">
            {title}
          </span>
          {said && <span className="min-w-0 truncate text-soft">{said}</span>}
        </Collapsible.Trigger>
      </h3>
      <Collapsible.Content>
        <section aria-labelledby={id} className="ps-5 pb-4">
          {children}
        </section>
      </Collapsible.Content>
    </Collapsible.Root>
  )
}
