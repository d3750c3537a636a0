'use client'
import { useEffect, useState } from 'react'

type Shown = { readonly words: string; readonly left: number; readonly top: number; readonly isOver: boolean }
const GAP = 6
/** What one line of it takes, with its gap, and the width that it has at most (as in `globals.css`). */
const HIGH = 36
const WIDE = 256

/**
 * The word of a sign that has none beside it, shown while it has the focus of the keyboard, as the browser shows its title to whoever
 * hovers over it; Escape takes it away (WCAG 2.2, 1.4.13). A screen reader has the word already, as the sign's name.
 */
export function FocusWords() {
  const [shown, setShown] = useState<Shown | null>(null)
  useEffect(() => {
    const hide = (): void => setShown(null)
    const show = ({ target }: FocusEvent): void => setShown(target instanceof HTMLElement ? wordsOf(target) : null)
    const onKey = ({ key }: KeyboardEvent): void => void (key === 'Escape' && hide())
    document.addEventListener('focusin', show)
    document.addEventListener('focusout', hide)
    document.addEventListener('scroll', hide, { capture: true, passive: true })
    document.addEventListener('keydown', onKey, { capture: true })
    return () => {
      document.removeEventListener('focusin', show)
      document.removeEventListener('focusout', hide)
      document.removeEventListener('scroll', hide, { capture: true })
      document.removeEventListener('keydown', onKey, { capture: true })
    }
  }, [])
  if (shown === null) return null
  const { words, isOver, ...place } = shown
  return (
    <span aria-hidden className="focus-words" data-over={isOver} style={place}>
      {words}
    </span>
  )
}

function wordsOf(element: HTMLElement): Shown | null {
  const isSign = element.title !== '' && element.textContent.trim() === '' && element.matches('button, a')
  if (!isSign || !element.matches(':focus-visible')) return null
  const { left, right, top, bottom } = element.getBoundingClientRect()
  const isOver = bottom + HIGH > window.innerHeight
  const middle = (left + right) / 2
  const within = Math.min(Math.max(middle, WIDE / 2), window.innerWidth - WIDE / 2)
  return { words: element.title, left: within, top: isOver ? top - GAP : bottom + GAP, isOver }
}
