'use client'
import { useEffect, useRef } from 'react'
import type { Allowed } from '@/core/rich'
import type { ChipFact, LinkTarget, RichText } from '@/core/site'
import { htmlOfWords } from './shown-words'
import { WordEditor } from './word-editor'
import { useWordHandStore } from './word-hand'

type Props = {
  readonly label: string
  readonly rich: RichText
  readonly allowed: Allowed
  readonly language: string
  readonly leftover: boolean
  readonly chip: (fact: ChipFact) => string
  readonly onChange: (rich: RichText) => void
  readonly onTarget: (to: LinkTarget) => void
  readonly onLeft: (words: number) => void
}

/** A rich place in the ledger: its words stand as they are read, and are typed in by the same editor as on a sheet. */
export function RichCell({ label, rich, allowed, language, leftover, chip, onChange, onTarget, onLeft }: Props) {
  const cell = useRef<HTMLDivElement>(null)
  const open = useRef<WordEditor | null>(null)
  const hand = useWordHandStore()
  const isPressed = useRef(false)
  const now = useRef({ onChange, onTarget, onLeft, chip })
  now.current = { onChange, onTarget, onLeft, chip }
  const html = htmlOfWords(rich, chip)
  // While it is typed in, what the cell holds is the editor's.
  useEffect(() => {
    if (open.current) open.current.take(rich)
    else if (cell.current) cell.current.innerHTML = html
  }, [rich, html])
  const close = (): void => {
    const words = open.current
    if (!words) return
    open.current = null
    words.close()
    if (hand.getState().words === words) hand.setState({ words: null })
    if (cell.current) cell.current.innerHTML = html
  }
  const begin = (): void => {
    const element = cell.current
    if (open.current || !element) return
    element.textContent = ''
    const words = new WordEditor({
      element,
      rich,
      allowed,
      label,
      language,
      chip: (fact) => now.current.chip(fact),
      onChange: (next) => now.current.onChange(next),
      onTarget: (to) => now.current.onTarget(to),
      onLeft: (left) => now.current.onLeft(left),
    })
    open.current = words
    hand.setState({ words, spot: 'ledger' })
  }
  // Only as the cell goes.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  useEffect(() => () => close(), [])
  return (
    <div
      ref={cell}
      role="textbox"
      aria-label={label}
      aria-multiline
      data-cell
      data-lines="many"
      data-empty={leftover ? 'the client’s words' : 'empty'}
      dir="auto"
      contentEditable
      suppressContentEditableWarning
      className="rich-cell max-h-48 w-full overflow-y-auto rounded-sm border border-seam bg-white px-2 py-1 leading-snug"
      // Before the press puts its caret, so that it finds the words it was put in.
      onPointerDown={() => {
        isPressed.current = true
        begin()
      }}
      onPointerUp={() => (isPressed.current = false)}
      onPointerCancel={() => (isPressed.current = false)}
      onFocus={() => {
        // Whoever leaves and comes back at once finds it open still.
        if (open.current) return isPressed.current ? undefined : open.current.resume()
        begin()
        open.current!.toEnd()
      }}
      onBlur={() => {
        isPressed.current = false
        setTimeout(() => {
          const on = document.activeElement
          if (document.hasFocus() && on !== cell.current && !on?.closest('[data-word-tools]')) close()
        })
      }}
    />
  )
}
