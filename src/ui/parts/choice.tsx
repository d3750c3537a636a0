'use client'
import { RadioGroup } from 'radix-ui'

type Props<T extends string> = {
  readonly label: string
  readonly value: T
  readonly options: readonly (readonly [value: T, words: string])[]
  readonly onValue: (value: T) => void
  readonly showLabel?: boolean
}

/** One of a few, side by side: arrow keys go through them. */
export function Choice<T extends string>({ label, value, options, onValue, showLabel = true }: Props<T>) {
  return (
    <div className="flex flex-wrap items-center gap-x-2 gap-y-1">
      {showLabel && (
        <span className="w-24 shrink-0 text-sm" aria-hidden>
          {label}
        </span>
      )}
      <RadioGroup.Root
        aria-label={label}
        value={value}
        onValueChange={(next) => onValue(next as T)}
        className="flex flex-wrap"
        orientation="horizontal"
      >
        {options.map(([key, words]) => (
          <RadioGroup.Item
            key={key}
            value={key}
            // What an arrow key goes to is chosen, however quick the key is let go again.
            onFocus={({ currentTarget, relatedTarget }) => {
              if (key !== value && relatedTarget && currentTarget.parentElement?.contains(relatedTarget)) onValue(key)
            }}
            className={
              '-ms-px border border-ink px-2 py-0.5 text-sm first:ms-0 hover:bg-tape data-[state=checked]:bg-ink ' +
              'data-[state=checked]:text-cloth'
            }
          >
            {words}
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
    </div>
  )
}
