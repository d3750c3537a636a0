'use client'
import { Command } from 'cmdk'
import { useState } from 'react'
import { findTrade, suggestTrades } from '@/core/trade'
import { inputClass } from '../parts/field'

type Props = { readonly value: string | undefined; readonly onChange: (value: string | null) => void }

/** The trade in the client's own words, with the trades they may mean: an everyday word finds the trade it stands for. */
export function TradeInput({ value, onChange }: Props) {
  const [open, setOpen] = useState(false)
  const typed = value ?? ''
  const found = open ? suggestTrades(typed) : []
  const known = findTrade(typed)
  return (
    <div className="relative">
      <p className="mb-1 text-sm font-semibold" aria-hidden>
        Trade
      </p>
      <Command
        shouldFilter={false}
        label="Trade"
        loop
        onKeyDown={(event) => {
          if (event.key === 'Escape' && open) {
            event.stopPropagation()
            setOpen(false)
          }
        }}
      >
        <Command.Input
          asChild
          className={inputClass}
          value={typed}
          maxLength={200}
          dir="auto"
          onValueChange={(words) => {
            onChange(words === '' ? null : words)
            setOpen(true)
          }}
          onFocus={() => setOpen(typed !== '' && known === null)}
          onBlur={() => setOpen(false)}
        >
          {/* What the package always says is open says so only while it is. */}
          <input aria-expanded={found.length > 0} />
        </Command.Input>
        <Command.List
          className={found.length > 0 ? 'absolute inset-x-0 z-20 mt-1 max-h-72 overflow-y-auto border border-ink bg-cloth py-1' : 'hidden'}
        >
          {found.map(({ trade, via }) => (
            <Command.Item
              key={trade.name}
              value={trade.name}
              onMouseDown={(event) => event.preventDefault()}
              onSelect={() => {
                onChange(trade.name)
                setOpen(false)
              }}
              className="cursor-pointer px-2.5 py-1.5 data-[selected=true]:bg-tape"
            >
              {trade.name}
              {via && <span className="text-soft"> — {via}</span>}
            </Command.Item>
          ))}
        </Command.List>
      </Command>
      <p className="mt-1 text-sm text-soft" role="status">
        {known
          ? `Search engines read it as ${known.type.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase()}.`
          : typed.trim() === ''
            ? ''
            : 'Not among the known trades; kept as written, and published as a local business.'}
      </p>
    </div>
  )
}
