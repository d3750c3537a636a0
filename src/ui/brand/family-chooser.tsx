'use client'
import { ChevronDown } from 'lucide-react'
import { Popover } from 'radix-ui'
import { useState } from 'react'
import { familyCss } from '@/core/render'
import { pairFamilies, type Family } from '@/core/type'
import { useFamilies } from './family-faces'

type Props = {
  readonly label: string
  readonly family: Family
  /** The headings' family, where this is the one for text: the list is then in the order of how well they go together. */
  readonly beside?: Family
  readonly usual: string
  readonly onFamily: (key: string | null) => void
}

/** A family chosen from a list in which each is set in itself, with what it is like, why it goes with the other, and its licence. */
export function FamilyChooser({ label, family, beside, usual, onFamily }: Props) {
  const [open, setOpen] = useState(false)
  return (
    <div className="flex items-center gap-2">
      <span className="w-24 shrink-0 text-sm" aria-hidden>
        {label}
      </span>
      <Popover.Root open={open} onOpenChange={setOpen}>
        <Popover.Trigger
          aria-label={`${label}: ${family.name}`}
          className="flex min-w-0 flex-1 items-center justify-between gap-1 border border-ink bg-white px-2 py-1 text-start hover:bg-tape"
        >
          <span className="truncate text-lg leading-tight" style={{ fontFamily: familyCss(family) }}>
            {family.name}
          </span>
          <ChevronDown size={14} aria-hidden />
        </Popover.Trigger>
        <Popover.Portal>
          <Popover.Content
            side="right"
            align="start"
            sideOffset={6}
            collisionPadding={8}
            className={
              'z-30 max-h-[min(36rem,var(--radix-popover-content-available-height))] w-96 overflow-y-auto border border-ink bg-cloth'
            }
            aria-label={label}
          >
            <FamilyList
              family={family}
              beside={beside}
              usual={usual}
              onFamily={(key) => {
                onFamily(key)
                setOpen(false)
              }}
            />
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
    </div>
  )
}

function FamilyList({
  family,
  beside,
  usual,
  onFamily,
}: {
  family: Family
  beside: Family | undefined
  usual: string
  onFamily: (key: string | null) => void
}) {
  const families = useFamilies()
  const pairs = beside ? pairFamilies(beside, families) : null
  const rest = pairs ? families.filter((f) => !pairs.some((pair) => pair.family.key === f.key)) : families
  const rows = [
    ...(pairs ?? []).map((pair) => ({ family: pair.family, why: pair.reasons.join('; ') })),
    ...rest.map((f) => ({ family: f, why: '' })),
  ]
  return (
    <ul>
      {rows.map(({ family: f, why }) => (
        <li key={f.key} className="border-b border-seam last:border-0">
          <button
            type="button"
            aria-pressed={f.key === family.key}
            className="block w-full px-3 py-1.5 text-start hover:bg-tape focus-visible:bg-tape aria-pressed:bg-grid"
            onClick={() => onFamily(f.key === usual ? null : f.key)}
          >
            <span className="flex items-baseline justify-between gap-2">
              <span className="text-xl leading-tight" style={{ fontFamily: familyCss(f) }}>
                {f.name}
              </span>
              {f.key === usual && <span className="shrink-0 text-xs text-soft">the template’s</span>}
            </span>
            {f.manner && <span className="block text-sm">{f.manner}</span>}
            {why && (
              <span className="block text-sm text-soft">
                Goes with {beside?.name}: {why}
              </span>
            )}
            <span className="block text-xs text-soft">{f.licence}</span>
          </button>
        </li>
      ))}
    </ul>
  )
}
