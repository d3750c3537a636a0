'use client'
import type { ClipboardEvent } from 'react'
import { inOneLine, readPasted, type PastedTable } from '@/core/fill'

type Props = {
  readonly label: string
  readonly text: string
  readonly leftover: boolean
  readonly lines: 'one' | 'many'
  /** What stands there while nothing is typed; without it, that nothing does. */
  readonly empty?: string | undefined
  readonly onChange: (text: string) => void
  /** Several lines or cells were pasted into a one-line place: they go to the places that follow. */
  readonly onPour?: (table: PastedTable) => void
}

/** A text place in the ledger; it grows with what is in it. */
export function TextCell({ label, text, leftover, lines, empty = 'empty', onChange, onPour }: Props) {
  const paste = (event: ClipboardEvent): void => {
    const table = readPasted(event.clipboardData.getData('text/plain'))
    if (lines === 'many' || table.flat().length < 2 || !onPour) return
    event.preventDefault()
    onPour(table)
  }
  return (
    <textarea
      aria-label={label}
      data-cell
      data-lines={lines}
      rows={1}
      dir="auto"
      spellCheck
      maxLength={lines === 'many' ? 20_000 : 5_000}
      placeholder={leftover ? 'the client’s words' : empty}
      className={
        'field-sizing-content max-h-48 w-full resize-none rounded-sm border border-seam bg-white px-2 py-1 leading-snug ' +
        'placeholder:italic placeholder:text-soft'
      }
      value={text}
      onPaste={paste}
      onChange={(event) => onChange(lines === 'one' ? inOneLine(event.target.value) : event.target.value)}
    />
  )
}
