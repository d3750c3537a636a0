'use client'
import { PURPOSES, type Purpose } from '@/core/site'

export const PURPOSE_WORDS: Record<Purpose, string> = {
  calls: 'Calls',
  enquiries: 'Enquiries',
  visits: 'Visits to the premises',
  bookings: 'Bookings',
  showing: 'Showing work',
  selling: 'Selling',
}

/** What the site should bring the client. */
export function PurposeInputs({ value, onChange }: { value: readonly Purpose[]; onChange: (value: Purpose[] | null) => void }) {
  const toggle = (purpose: Purpose, on: boolean): void => {
    const next = PURPOSES.filter((p) => (p === purpose ? on : value.includes(p)))
    onChange(next.length > 0 ? next : null)
  }
  return (
    <fieldset>
      <legend className="mb-1 text-sm font-semibold">What the site is for</legend>
      <div className="grid grid-cols-2 gap-x-3 gap-y-1">
        {PURPOSES.map((purpose) => (
          <label key={purpose} className="flex items-center gap-2">
            <input
              type="checkbox"
              className="size-4 accent-ink"
              checked={value.includes(purpose)}
              onChange={(event) => toggle(purpose, event.target.checked)}
            />
            {PURPOSE_WORDS[purpose]}
          </label>
        ))}
      </div>
    </fieldset>
  )
}
