'use client'
import { useRef, useState, type KeyboardEvent } from 'react'

type Props = {
  readonly label: string
  readonly value: string
  readonly placeholder?: string
  readonly mono?: boolean
  readonly autoFocus?: boolean
  readonly max?: number
  /** Takes what was typed; false where it is refused, and the field stays as it was typed. */
  readonly onKeep: (text: string) => boolean
  readonly onLeave: () => void
}

/** A cell of the row in hand: typed over in place. Enter keeps, Escape puts back, leaving it keeps. */
export function Cell({ label, value, placeholder = '', mono = false, autoFocus = false, max, onKeep, onLeave }: Props) {
  // Null while nothing is typed: then it shows what is kept, whoever kept it.
  const [typed, setTyped] = useState<string | null>(null)
  // Once a key has settled it, the field's going away settles nothing more.
  const isSettled = useRef(false)
  const leave = (): void => {
    isSettled.current = true
    onLeave()
  }
  const settle = (): boolean => {
    const isKept = typed === null || typed === value || onKeep(typed)
    if (isKept) setTyped(null)
    return isKept
  }
  const press = (event: KeyboardEvent<HTMLInputElement>): void => {
    if (event.nativeEvent.isComposing) return
    if (event.key === 'Enter') {
      event.preventDefault()
      if (settle()) leave()
    } else if (event.key === 'Escape') {
      event.preventDefault()
      setTyped(null)
      leave()
    }
    event.stopPropagation()
  }
  return (
    <input
      aria-label={label}
      className={
        'w-full min-w-0 rounded-sm border border-seam bg-white px-1.5 py-0.5 text-sm placeholder:italic placeholder:text-soft ' +
        (mono ? 'font-mono text-xs' : '')
      }
      dir="auto"
      data-own-undo
      value={typed ?? value}
      placeholder={placeholder}
      maxLength={max}
      spellCheck={!mono}
      // eslint-disable-next-line jsx-a11y/no-autofocus -- the cell was just asked for by a key or a press on it
      autoFocus={autoFocus}
      onFocus={(event) => event.target.select()}
      onChange={(event) => {
        isSettled.current = false
        setTyped(event.target.value)
      }}
      onBlur={() => void (isSettled.current || settle())}
      onKeyDown={press}
    />
  )
}
