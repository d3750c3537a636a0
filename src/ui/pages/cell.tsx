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
  const [typed, setTyped] = useState(value)
  const [shown, setShown] = useState(value)
  // Once a key has settled it, the field's going away settles nothing more.
  const isSettled = useRef(false)
  const leave = (): void => {
    isSettled.current = true
    onLeave()
  }
  // What changed elsewhere meanwhile is shown, unless something else is typed here.
  if (shown !== value) {
    setShown(value)
    if (typed === shown) setTyped(value)
  }
  const settle = (): boolean => typed === value || onKeep(typed)
  const press = (event: KeyboardEvent<HTMLInputElement>): void => {
    if (event.nativeEvent.isComposing) return
    if (event.key === 'Enter') {
      event.preventDefault()
      if (settle()) leave()
    } else if (event.key === 'Escape') {
      event.preventDefault()
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
      value={typed}
      placeholder={placeholder}
      maxLength={max}
      spellCheck={!mono}
      // eslint-disable-next-line jsx-a11y/no-autofocus -- the cell was just asked for by a key or a press on it
      autoFocus={autoFocus}
      onFocus={(event) => event.target.select()}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={() => void (isSettled.current || settle())}
      onKeyDown={press}
    />
  )
}
