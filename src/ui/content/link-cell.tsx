'use client'
import type { SlotValueOf } from '@/core/site'
import { IconButton } from '../words/icon-button'
import { TargetButton } from '../words/target-button'

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
  // A link that was emptied leads where the template's does, once it has words again.
  const isSpared = value?.to.type === 'url' && value.to.url === ''
  const shown = value && !isSpared ? value : { ...placeholder, label: value ? value.label : placeholder.label }
  const lead = (next: Link): void => {
    const { tab, icon, ...rest } = next
    onLead({ ...rest, ...(tab && { tab }), ...(icon && { icon }) })
  }
  return (
    <div className="grid gap-1">
      <div className="flex gap-1.5">
        <input
          aria-label={`${label}, words`}
          data-cell
          data-lines="one"
          maxLength={300}
          className="w-0 flex-1 rounded-sm border border-seam bg-white px-2 py-1 leading-snug placeholder:italic placeholder:text-soft"
          placeholder={value ? 'empty' : 'the client’s words'}
          value={value?.label ?? ''}
          onChange={(e) => onChange({ ...shown, label: e.target.value })}
        />
        <IconButton label={label} icon={shown.icon} onIcon={(icon) => lead({ ...shown, icon })} />
        <TargetButton
          label={label}
          to={shown.to}
          onTarget={(to) => lead({ ...shown, to })}
          tab={{ on: shown.tab === true, onTab: (on) => lead({ ...shown, tab: on || undefined }) }}
        />
      </div>
    </div>
  )
}
