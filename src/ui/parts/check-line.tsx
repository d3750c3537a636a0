import type { ReactNode } from 'react'

type Props = {
  readonly checked: boolean
  readonly onCheck: (checked: boolean) => void
  readonly children: ReactNode
  /** What it means, said beneath. */
  readonly hint?: ReactNode
  readonly disabled?: boolean
}

/** Something that is so or not: a box to check, with what it means beneath it. */
export function CheckLine({ checked, onCheck, children, hint, disabled = false }: Props) {
  return (
    <label className="flex w-fit items-start gap-2 text-sm">
      <input
        type="checkbox"
        className="mt-0.5 size-4 shrink-0 accent-ink"
        checked={checked}
        disabled={disabled}
        onChange={(event) => onCheck(event.target.checked)}
      />
      <span>
        {children}
        {hint && <span className="block text-soft">{hint}</span>}
      </span>
    </label>
  )
}
