'use client'
import { Popover } from 'radix-ui'
import { useState } from 'react'
import { HexColorPicker } from 'react-colorful'
import { parseColour } from '@/core/colour'
import { inputClass } from '../parts/field'
import type { ControlProps } from './fact-input'
import { Panel } from '../parts/panel'

/** What is shown while a colour is typed: words that are no colour yet stay in the field, the site keeps the last colour. */
export function useColourInput(
  value: string | undefined,
  onChange: (hex: string | null) => void,
): { text: string; fault: string | null; change: (text: string) => void; leave: () => void } {
  const [typed, setTyped] = useState<string | null>(null)
  const [left, setLeft] = useState(false)
  const text = typed ?? value ?? ''
  const parsed = text === '' ? null : parseColour(text)
  return {
    text,
    fault: parsed && !parsed.ok && left ? parsed.fault : null,
    leave: () => {
      setLeft(true)
      if (parsed?.ok) setTyped(null)
    },
    change: (words) => {
      setTyped(words)
      const next = parseColour(words)
      if (words.trim() === '') onChange(null)
      else if (next.ok) onChange(next.hex)
    },
  }
}

export function ColourInput({
  input,
  value,
  control,
  label = 'Brand colour',
  pick = 'Pick the colour',
}: {
  input: ReturnType<typeof useColourInput>
  value: string | undefined
  control: ControlProps
  label?: string
  pick?: string
}) {
  return (
    <div className="flex gap-1.5">
      <Popover.Root>
        <Popover.Trigger asChild>
          <button
            type="button"
            aria-label={pick}
            className="h-9 w-12 shrink-0 rounded-sm border border-ink"
            style={
              value
                ? { background: value }
                : { background: 'repeating-linear-gradient(45deg, var(--color-cloth) 0 4px, var(--color-seam) 4px 5px)' }
            }
          />
        </Popover.Trigger>
        <Panel sideOffset={6} align="start" className="p-3" aria-label={label}>
          <HexColorPicker color={value ?? '#888888'} onChange={input.change} />
        </Panel>
      </Popover.Root>
      <input
        {...control}
        className={`${inputClass} font-mono`}
        autoComplete="off"
        spellCheck={false}
        maxLength={100}
        placeholder="#7a2e1d"
        value={input.text}
        onChange={(event) => input.change(event.target.value)}
        onBlur={input.leave}
      />
    </div>
  )
}
