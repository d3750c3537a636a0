'use client'
import { useId, type ReactNode } from 'react'

export const inputClass =
  'w-full rounded-sm border border-seam bg-white px-2.5 py-1.5 text-base text-ink placeholder:text-soft ' +
  'aria-invalid:border-thread aria-invalid:border-dashed'

/** A labelled field: the control gets its id and what describes it; a fault is shown under it and read out. */
export function Field({
  label,
  hint,
  fault,
  children,
}: {
  label: string
  hint?: ReactNode
  fault?: string | null
  children: (control: { id: string; 'aria-describedby'?: string; 'aria-invalid'?: true }) => ReactNode
}) {
  const id = useId()
  const control = {
    id,
    ...(hint || fault ? { 'aria-describedby': `${id}-words` } : {}),
    ...(fault ? { 'aria-invalid': true as const } : {}),
  }
  return (
    <div>
      <label htmlFor={id} className="mb-1 block text-sm font-semibold">
        {label}
      </label>
      {children(control)}
      {(hint || fault) && (
        <p
          id={`${id}-words`}
          className={`mt-1 text-sm ${fault ? 'font-medium text-thread' : 'text-soft'}`}
          role={fault ? 'alert' : undefined}
        >
          {fault ? `✕ ${fault}` : hint}
        </p>
      )}
    </div>
  )
}
