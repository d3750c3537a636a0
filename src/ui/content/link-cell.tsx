'use client'
import { ChevronDown } from 'lucide-react'
import { useRef, useState } from 'react'
import { useShallow } from 'zustand/react/shallow'
import { targetName } from '@/core/plan'
import type { SlotValueOf } from '@/core/site'
import { useJob } from '../job/job-context'
import { LinkPicker } from '../words/link-picker'

type Link = SlotValueOf<'link'>
type Props = {
  readonly label: string
  readonly value: Link | null
  readonly placeholder: Link
  readonly onChange: (value: Link) => void
  readonly onLead: (value: Link) => void
}

/** A link's words and where they lead. */
export function LinkCell({ label, value, placeholder, onChange, onLead }: Props) {
  const [open, setOpen] = useState(false)
  const button = useRef<HTMLButtonElement>(null)
  // A link that was emptied leads where the template's does, once it has words again.
  const isSpared = value?.to.type === 'url' && value.to.url === ''
  const shown = value && !isSpared ? value : { ...placeholder, label: value ? value.label : placeholder.label }
  const { name, gone } = useJob(useShallow((s) => targetName(s, shown.to)))
  const lead = (next: Link): void => {
    const { tab, ...rest } = next
    onLead(tab ? next : rest)
  }
  return (
    <div className="grid gap-1">
      <div className="flex gap-1.5">
        <input
          aria-label={`${label}, words`}
          data-cell
          data-lines="one"
          maxLength={300}
          className="min-w-0 flex-1 rounded-sm border border-seam bg-white px-2 py-1 leading-snug placeholder:italic placeholder:text-soft"
          placeholder={value ? 'left empty' : 'the client’s words'}
          value={value?.label ?? ''}
          onChange={(e) => onChange({ ...shown, label: e.target.value })}
        />
        <LinkPicker
          label={`${label}, where it leads`}
          to={shown.to}
          onTarget={(to) => lead({ ...shown, to })}
          handTo={() => button.current?.focus()}
          open={open}
          onOpen={setOpen}
          tab={{ on: shown.tab === true, onTab: (on) => lead({ ...shown, tab: on || undefined }) }}
        >
          <button
            ref={button}
            type="button"
            aria-label={`${label}, leads to ${name}`}
            className={
              'flex w-44 shrink-0 items-center justify-between gap-1 rounded-sm border border-seam bg-white px-1.5 py-1 text-sm ' +
              (gone ? 'text-thread' : '')
            }
          >
            <span className="truncate">
              {gone && '✕ '}
              {name}
            </span>
            <ChevronDown size={13} className="shrink-0 text-soft" aria-hidden />
          </button>
        </LinkPicker>
      </div>
    </div>
  )
}
