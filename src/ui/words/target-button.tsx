'use client'
import { ChevronDown } from 'lucide-react'
import { useRef, useState } from 'react'
import { useShallow } from 'zustand/react/shallow'
import { targetName } from '@/core/plan'
import type { LinkTarget } from '@/core/site'
import { useJob } from '../job/job-context'
import { LinkPicker } from './link-picker'

type Props = {
  /** What leads there. */
  readonly label: string
  readonly to: LinkTarget
  readonly onTarget: (to: LinkTarget) => void
  readonly tab?: { readonly on: boolean; readonly onTab: (on: boolean) => void }
}

/** Where something leads, by name; pressed, it is picked by typing. */
export function TargetButton({ label, to, onTarget, tab }: Props) {
  const [open, setOpen] = useState(false)
  const button = useRef<HTMLButtonElement>(null)
  const { name, gone } = useJob(useShallow((s) => targetName(s, to)))
  return (
    <LinkPicker
      label={`${label}, where it leads`}
      to={to}
      onTarget={onTarget}
      handTo={() => button.current?.focus()}
      open={open}
      onOpen={setOpen}
      {...(tab && { tab })}
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
  )
}
