'use client'
import { useState } from 'react'
import { DAYS, isNoFact, parseSpans, parseWeek, type Day, type Hours } from '@/core/site'
import { inputClass } from '../parts/field'

const DAY_LABELS: Record<Day, string> = { mon: 'Mon', tue: 'Tue', wed: 'Wed', thu: 'Thu', fri: 'Fri', sat: 'Sat', sun: 'Sun' }
const CLOSED: Hours = { mon: [], tue: [], wed: [], thu: [], fri: [], sat: [], sun: [] }

/** Seven days, each typed as people write times; days left empty are closed. */
export function HoursInputs({ value, onChange }: { value: Hours | undefined; onChange: (value: Hours | null) => void }) {
  return (
    <div role="group" aria-label="Opening hours" className="@container">
      <WeekInput onChange={onChange} />
      <div className="grid grid-cols-1 gap-x-3 gap-y-1 @lg:grid-cols-2 @4xl:grid-cols-4">
        {DAYS.map((day) => (
          <DayInput key={day} day={day} value={value} onChange={onChange} />
        ))}
      </div>
      <p className="mt-1 text-sm text-soft">
        Write 9–17:30, or 9–12, 1–5; past midnight 18–2. {value ? 'Days left empty are closed. ' : ''}
        {value && (
          <button type="button" className="underline underline-offset-2" onClick={() => onChange(null)}>
            Leave hours for later
          </button>
        )}
      </p>
    </div>
  )
}

/** The whole week as it stands in a letter or on a door; it fills the seven days below. */
function WeekInput({ onChange }: { onChange: (value: Hours) => void }) {
  const [typed, setTyped] = useState('')
  const [fault, setFault] = useState<string | null>(null)
  const settle = (): void => {
    if (typed.trim() === '') return setFault(null)
    const week = parseWeek(typed)
    setFault(week.ok ? null : week.fault)
    if (!week.ok) return
    onChange(week.hours)
    setTyped('')
  }
  return (
    <div className="mb-2">
      <input
        aria-label="The week in one line"
        data-own-undo
        aria-invalid={fault === null ? undefined : true}
        className={`${inputClass} py-1`}
        placeholder="In one line: Mon–Fri 7–17:30, Sat 8–12"
        value={typed}
        maxLength={300}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={settle}
        onKeyDown={(event) => {
          if (event.key !== 'Enter') return
          event.preventDefault()
          settle()
        }}
      />
      {fault !== null && (
        <p className="text-sm font-medium text-thread" role="alert">
          ✕ {fault}
        </p>
      )}
    </div>
  )
}

function DayInput({ day, value, onChange }: { day: Day; value: Hours | undefined; onChange: (value: Hours | null) => void }) {
  const [typed, setTyped] = useState<string | null>(null)
  const kept = (value?.[day] ?? []).map((s) => `${s.opens}–${s.closes}`).join(', ')
  const parsed = parseSpans(typed ?? kept)
  const change = (text: string): void => {
    setTyped(text)
    const next = parseSpans(text)
    if (next.ok) onChange({ ...(value ?? CLOSED), [day]: next.spans })
  }
  return (
    <div>
      <label className="flex items-center gap-2 text-sm">
        <span className="w-8 font-mono text-xs">{DAY_LABELS[day]}</span>
        <input
          aria-invalid={parsed.ok ? undefined : true}
          className={`${inputClass} py-1`}
          placeholder={value && !isNoFact(value) ? 'closed' : ''}
          value={typed ?? kept}
          onChange={(event) => change(event.target.value)}
          onBlur={() => parsed.ok && setTyped(null)}
        />
      </label>
      {!parsed.ok && typed !== null && (
        <p className="text-sm font-medium text-thread" role="alert">
          ✕ {parsed.fault}
        </p>
      )}
    </div>
  )
}
