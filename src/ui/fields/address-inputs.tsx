'use client'
import { parseAddress, type Address } from '@/core/site'
import { inputClass } from '../parts/field'

const EMPTY: Address = { street: '', locality: '', postcode: '', country: '' }
const PARTS = [
  { part: 'street', label: 'Street and number', span: 'col-span-6' },
  { part: 'locality', label: 'Town', span: 'col-span-2' },
  { part: 'postcode', label: 'Postcode', span: 'col-span-2' },
  { part: 'country', label: 'Country', span: 'col-span-2' },
] as const

/** The four parts of an address; all empty again means that it is left for later. */
export function AddressInputs({ value, onChange }: { value: Address | undefined; onChange: (value: Address | null) => void }) {
  const change = (part: keyof Address, text: string): void => {
    const next = { ...(value ?? EMPTY), [part]: text.slice(0, 200) }
    onChange(Object.values(next).every((t) => t === '') ? null : next)
  }
  return (
    <div className="grid grid-cols-6 gap-1.5" role="group" aria-label="Address">
      {PARTS.map(({ part, label, span }) => (
        <input
          key={part}
          aria-label={label}
          placeholder={label}
          autoComplete="off"
          dir="auto"
          maxLength={200}
          className={`${inputClass} ${span}`}
          value={value?.[part] ?? ''}
          onChange={(event) => change(part, event.target.value)}
          onPaste={(event) => {
            // A whole address pasted into the first field is taken apart; into any other it stays what was pasted.
            const whole = part === 'street' && !value?.street ? parseAddress(event.clipboardData.getData('text/plain')) : null
            if (!whole) return
            event.preventDefault()
            onChange({ ...whole, country: whole.country || value?.country || '' })
          }}
        />
      ))}
    </div>
  )
}
