'use client'
import { useEffect, useState, type CSSProperties } from 'react'

type Shown = { readonly words: string; readonly place: CSSProperties }
const GAP = 6
/** What one line of it takes, with its gap. */
const HIGH = 36

/**
 * The word of a sign that has none beside it, shown while it has the focus of the keyboard, as the browser shows its title to whoever
 * hovers over it; Escape takes it away (WCAG 2.2, 1.4.13). A screen reader has the word already, as the sign's name.
 */
export function FocusWords() {
  const [shown, setShown] = useState<Shown | null>(null)
  useEffect(() => {
    const hide = (): void => setShown(null)
    const show = ({ target }: FocusEvent): void => setShown(wordsOf(target))
    // What comes into the focus is scrolled to, and takes its word along.
    const follow = (): void => setShown((now) => now && wordsOf(document.activeElement))
    const onKey = ({ key }: KeyboardEvent): void => void (key === 'Escape' && hide())
    document.addEventListener('focusin', show)
    document.addEventListener('focusout', hide)
    document.addEventListener('scroll', follow, { capture: true, passive: true })
    document.addEventListener('keydown', onKey, { capture: true })
    return () => {
      document.removeEventListener('focusin', show)
      document.removeEventListener('focusout', hide)
      document.removeEventListener('scroll', follow, { capture: true })
      document.removeEventListener('keydown', onKey, { capture: true })
    }
  }, [])
  return (
    shown && (
      <span aria-hidden className="focus-words" style={shown.place}>
        {shown.words}
      </span>
    )
  )
}

/** Under the sign, or over it at the foot of the window; from its edge towards the middle. */
function wordsOf(target: EventTarget | null): Shown | null {
  if (!(target instanceof HTMLElement) || !target.matches('button:focus-visible, a:focus-visible')) return null
  if (target.title === '' || target.textContent.trim() !== '') return null
  const { left, right, top, bottom } = target.getBoundingClientRect()
  const { innerWidth, innerHeight } = window
  return {
    words: target.title,
    place: {
      ...(left > innerWidth / 2 ? { right: innerWidth - right } : { left }),
      ...(bottom + HIGH > innerHeight ? { bottom: innerHeight - top + GAP } : { top: bottom + GAP }),
    },
  }
}
