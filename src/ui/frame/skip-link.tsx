'use client'
import { buttonClass } from '../parts/button'

/** The first stop of the Tab key: past the bar, to where the work of the stage is (`data-skip-to`, else its main part). */
export function SkipLink() {
  const skip = (): void => {
    const main = document.querySelector('main')
    const part = main?.querySelector('[data-skip-to]') ?? main
    const control = 'input, textarea, select, button, a[href], [tabindex="0"]'
    const goal = part?.querySelector<HTMLElement>(`[data-client] :is(${control})`) ?? part?.querySelector<HTMLElement>(control)
    goal?.focus()
  }
  return (
    <button
      type="button"
      onClick={skip}
      className={`${buttonClass('main')} absolute start-2 top-1.5 z-40 not-focus-visible:pointer-events-none not-focus-visible:opacity-0`}
    >
      Skip to the work
    </button>
  )
}
