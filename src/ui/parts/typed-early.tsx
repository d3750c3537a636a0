'use client'
import { useLayoutEffect, useRef, useSyncExternalStore, type ReactNode } from 'react'

type Field = HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement

/**
 * Makes what was typed before the page came alive count: React leaves such words in their field, but tells nobody of
 * them. Stands around a part that comes alive in one piece, and says them again as the person's own input.
 */
export function TypedEarly({ children }: { children: ReactNode }) {
  const part = useRef<HTMLDivElement>(null)
  const wasWrittenByServer = useSyncExternalStore(
    () => () => {},
    () => false,
    () => true,
  )
  const atFirst = useRef(wasWrittenByServer)
  useLayoutEffect(() => {
    if (!atFirst.current) return
    for (const field of part.current?.querySelectorAll<Field>('input, textarea, select') ?? []) sayAgain(field)
  }, [])
  return (
    <div ref={part} className="contents">
      {children}
    </div>
  )
}

function sayAgain(field: Field): void {
  if (field instanceof HTMLInputElement && (field.type === 'checkbox' || field.type === 'radio')) {
    if (field.checked === field.defaultChecked) return
    field.checked = field.defaultChecked
    field.click()
    return
  }
  if (field instanceof HTMLSelectElement) {
    const written = [...field.options].find((option) => option.defaultSelected)
    if (written && !written.selected) field.dispatchEvent(new Event('change', { bubbles: true }))
    return
  }
  if (field.type === 'file' || field.value === field.defaultValue) return
  const typed = field.value
  // React takes an input event for news only where the value is not the one it saw last: so it is shown the old one first.
  field.value = field.defaultValue
  Object.getOwnPropertyDescriptor(Object.getPrototypeOf(field), 'value')?.set?.call(field, typed)
  field.dispatchEvent(new Event('input', { bubbles: true }))
}
