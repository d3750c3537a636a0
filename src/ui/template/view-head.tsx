'use client'
import { ArrowLeft } from 'lucide-react'
import { useEffect, useRef, type ReactNode } from 'react'
import { Button } from '../parts/button'
import { useTemplateView } from './template-view'

/** The head of a view of the room: where one is, what can be done and the way back (Escape). A view that opens takes the focus. */
export function ViewHead({ title, children }: { title: string; children?: ReactNode }) {
  const { go } = useTemplateView()
  const heading = useRef<HTMLHeadingElement>(null)
  useEffect(() => heading.current?.focus(), [])
  useEffect(() => {
    const press = (event: KeyboardEvent): void => {
      if (event.key === 'Escape' && !event.defaultPrevented) go('all')
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
    // `go` only writes the address; it is the same whichever render made it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [])
  return (
    <div className="flex shrink-0 flex-wrap items-center gap-2 border-b border-seam bg-cloth px-4 py-2">
      <Button look="quiet" onClick={() => go('all')} title="Escape">
        <ArrowLeft size={15} aria-hidden />
        All templates
      </Button>
      <h1 ref={heading} tabIndex={-1} className="text-xl font-bold tracking-tight">
        {title}
      </h1>
      <span className="ms-auto flex flex-wrap items-center gap-1.5">{children}</span>
    </div>
  )
}
