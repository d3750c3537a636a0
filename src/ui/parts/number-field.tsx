'use client'
import { useId, useState } from 'react'
import { within } from '@/core/site'
import { inputClass } from './field'

type Props = {
  readonly label: string
  readonly value: number
  readonly least: number
  readonly most: number
  readonly step: number
  readonly unit?: string
  /** What the template has, where the value differs from it: shown, and brought back by its button. */
  readonly usual?: number
  readonly onValue: (value: number) => void
  readonly onUsual?: () => void
}

/** A number set by dragging, by typing or by arrow keys; out of bounds it says so and keeps the nearest that is allowed. */
export function NumberField({ label, value, least, most, step, unit = '', usual, onValue, onUsual }: Props) {
  const id = useId()
  const [typed, setTyped] = useState<string | null>(null)
  const number = typed === null ? null : Number(typed.replace(',', '.'))
  const isOut = number !== null && (Number.isNaN(number) || number < least || number > most)
  const change = (next: number): void => onValue(Number(within(next, [least, most]).toFixed(4)))
  return (
    <div>
      <div className="flex items-center gap-2">
        <label htmlFor={id} className="w-24 shrink-0 text-sm">
          {label}
        </label>
        <input
          type="range"
          aria-label={`${label}, by dragging`}
          className="min-w-0 flex-1 accent-ink"
          min={least}
          max={most}
          step={step}
          value={value}
          onChange={(event) => {
            setTyped(null)
            change(Number(event.target.value))
          }}
        />
        <input
          id={id}
          inputMode="decimal"
          className={`${inputClass} w-16! px-1.5! py-0.5! text-end font-mono text-sm!`}
          value={typed ?? String(Number(value.toFixed(3)))}
          aria-invalid={isOut || undefined}
          aria-describedby={isOut ? `${id}-words` : undefined}
          onChange={(event) => {
            setTyped(event.target.value)
            const next = Number(event.target.value.replace(',', '.'))
            if (event.target.value.trim() !== '' && next >= least && next <= most) change(next)
          }}
          onKeyDown={(event) => {
            if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return
            event.preventDefault()
            setTyped(null)
            change(value + (event.key === 'ArrowUp' ? step : -step))
          }}
          onBlur={() => {
            if (number !== null && !Number.isNaN(number) && isOut) change(number)
            setTyped(null)
          }}
        />
        <span className="w-5 shrink-0 text-xs text-soft">{unit}</span>
      </div>
      {isOut && (
        <p id={`${id}-words`} role="alert" className="mt-0.5 text-sm font-medium text-thread">
          ✕ {label} goes from {least} to {most}
          {unit && ` ${unit}`}.
        </p>
      )}
      {usual !== undefined && usual !== value && onUsual && (
        <p className="ps-26 text-xs text-soft">
          template {Number(usual.toFixed(3))}
          {unit} ·{' '}
          <button type="button" className="underline" onClick={onUsual}>
            back to it
          </button>
        </p>
      )}
    </div>
  )
}
