'use client'
import { ChevronDown } from 'lucide-react'
import { Command } from 'cmdk'
import { Popover } from 'radix-ui'
import { useEffect, useRef, useState } from 'react'
import { familyCss } from '@/core/render'
import { pairFamilies, type Family } from '@/core/type'
import { inputClass } from '../parts/field'
import { useFamilies } from './family-faces'
import { Panel } from '../parts/panel'

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
          <ChevronDown size={14} className="shrink-0" aria-hidden />
        </Popover.Trigger>
        <Panel
          side="right"
          align="start"
          sideOffset={6}
          className={'max-h-[min(36rem,var(--radix-popover-content-available-height))] w-96'}
          aria-label={label}
        >
          <FamilyList
            label={label}
            family={family}
            {...(beside ? { beside } : {})}
            usual={usual}
            onFamily={(key) => {
              onFamily(key)
              setOpen(false)
            }}
          />
        </Panel>
      </Popover.Root>
    </div>
  )
}

function FamilyList({ label, family, beside, usual, onFamily }: Props) {
  const families = useFamilies()
  const list = useRef<HTMLDivElement>(null)
  // The list opens where the arrows begin: at the family in use.
  // In braces: what a browser's scrolling gives back is not a way to clean up.
  useEffect(() => {
    list.current?.querySelector('[data-selected=true]')?.scrollIntoView({ block: 'center' })
  }, [])
  const pairs = beside ? pairFamilies(beside, families) : null
  const rest = pairs ? families.filter((f) => !pairs.some((pair) => pair.family.key === f.key)) : families
  const rows = [
    ...(pairs ?? []).map((pair) => ({ family: pair.family, why: pair.reasons.join('; ') })),
    ...rest.map((f) => ({ family: f, why: '' })),
  ]
  return (
    <Command label={label} defaultValue={family.key} loop className="flex max-h-[inherit] flex-col">
      <Command.Input className={`${inputClass} rounded-none! border-0! border-b!`} placeholder="Name, manner or licence" data-own-undo />
      <Command.List ref={list} className="min-h-0 overflow-y-auto" label={label}>
        <Command.Empty className="px-3 py-4 text-sm text-soft">No family is like that.</Command.Empty>
        {rows.map(({ family: f, why }) => (
          <Command.Item
            key={f.key}
            value={f.key}
            keywords={[f.name, f.manner ?? '', f.licence]}
            onSelect={() => onFamily(f.key === usual ? null : f.key)}
            className="block cursor-pointer border-b border-seam px-3 py-1.5 last:border-0 data-[selected=true]:bg-tape"
          >
            <span className="flex items-baseline justify-between gap-2">
              <span className="text-xl leading-tight" style={{ fontFamily: familyCss(f) }}>
                {f.name}
              </span>
              <span className="shrink-0 text-xs text-soft">
                {[f.key === family.key ? 'in use' : '', f.key === usual ? 'the template’s' : ''].filter(Boolean).join(', ')}
              </span>
            </span>
            {f.manner && <span className="block text-sm">{f.manner}</span>}
            {why && (
              <span className="block text-sm text-soft">
                Goes with {beside?.name}: {why}
              </span>
            )}
            <span className="block text-xs text-soft">{f.licence}</span>
          </Command.Item>
        ))}
      </Command.List>
    </Command>
  )
}
