'use client'
import { Popover, RadioGroup } from 'radix-ui'
import { createElement } from 'react'
import { findIcon, ICON_NAMES } from '@/core/icons'
import type { LinkIcon } from '@/core/site'
import { Panel } from '../parts/panel'

type Props = { readonly label: string; readonly icon: LinkIcon | undefined; readonly onIcon: (icon: LinkIcon | undefined) => void }

const CELL =
  'grid size-8 place-items-center rounded-sm border border-clear hover:border-ink ' +
  'data-[state=checked]:border-ink data-[state=checked]:bg-tape'

const BUTTON =
  'grid size-8 shrink-0 place-items-center rounded-sm border border-seam bg-white hover:border-ink data-[state=open]:border-ink'
const SIDE = 'rounded-sm border border-seam px-2 py-0.5 hover:border-ink data-[state=checked]:border-ink data-[state=checked]:bg-tape'

/** The icon of a link and the side that it stands on, picked from the set that ships. */
export function IconButton({ label, icon, onIcon }: Props) {
  const said = icon ? (findIcon(icon.name)?.said ?? icon.name) : null
  const side = icon?.side ?? 'after'
  return (
    <Popover.Root>
      <Popover.Trigger
        className={BUTTON}
        aria-label={`${label}, icon: ${said ? `${said}, ${side} the words` : 'none'}`}
        title={said ? `Icon: ${said}` : 'Icon beside the words'}
      >
        {icon ? <Shape name={icon.name} /> : <span aria-hidden className="size-4 border border-dashed border-soft" />}
      </Popover.Trigger>
      <Panel align="end" className="grid gap-2 p-3 text-sm" aria-label={`${label}, icon`}>
        <RadioGroup.Root
          className="grid grid-cols-8 gap-0.5"
          aria-label="Icon"
          value={icon?.name ?? ''}
          onValueChange={(name) => onIcon(name === '' ? undefined : { name, side })}
        >
          <RadioGroup.Item value="" className={CELL} aria-label="none" title="none">
            <span className="text-soft">–</span>
          </RadioGroup.Item>
          {ICON_NAMES.map((name) => {
            const called = findIcon(name)?.said ?? name
            return (
              <RadioGroup.Item key={name} value={name} className={CELL} aria-label={called} title={called}>
                <Shape name={name} />
              </RadioGroup.Item>
            )
          })}
        </RadioGroup.Root>
        {icon && (
          <RadioGroup.Root
            className="flex gap-4"
            aria-label="Side"
            value={side}
            onValueChange={(to) => onIcon({ ...icon, side: to === 'before' ? 'before' : 'after' })}
          >
            {(['before', 'after'] as const).map((one) => (
              <RadioGroup.Item key={one} value={one} className={SIDE}>
                {one} the words
              </RadioGroup.Item>
            ))}
          </RadioGroup.Root>
        )}
      </Panel>
    </Popover.Root>
  )
}

function Shape({ name }: { readonly name: string }) {
  return (
    <svg viewBox="0 0 24 24" className="size-4 fill-none stroke-current stroke-2" strokeLinecap="round" strokeLinejoin="round" aria-hidden>
      {findIcon(name)?.parts.map(([tag, attributes], i) => createElement(tag, { key: i, ...attributes }))}
    </svg>
  )
}
