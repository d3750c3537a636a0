'use client'
import { useEffect, useRef, useState } from 'react'
import type { Site } from '@/core/fill'
import { makeSheetPainter } from '@/core/render'
import type { Page } from '@/core/site'
import { SheetView } from './sheet-view'

type Props = {
  readonly site: Site
  readonly page: Page
  /** The width the page is laid out at, and the box it is shown in, in px. */
  readonly layout: number
  readonly width: number
  readonly height: number
  readonly label: string
  /** Shown alone, without header and footer: one section of the page. */
  readonly only?: string
  /** Sections that a box is drawn around. */
  readonly boxed?: ReadonlySet<string>
}

/** What is this near to being seen is made before it is, once all that is seen is there. */
const NEAR_PX = 300

/** Whether a try-on is near to being seen, and is not seen yet. */
function isNear({ isIntersecting, boundingClientRect: { top, bottom } }: IntersectionObserverEntry): boolean {
  return isIntersecting && (top >= innerHeight || bottom <= 0)
}

/** One page drawn live and small. What is out of sight waits: the first screen is drawn first. */
export function TryOn({ site, page, layout, width, height, label, only, boxed }: Props) {
  const box = useRef<HTMLDivElement>(null)
  const frame = useRef<HTMLIFrameElement>(null)
  // A frame costs something before anything is drawn in it: of a hundred, those out of sight are not made yet.
  const [isMade, setMade] = useState(false)
  const drawn = useRef<{ view: SheetView; paint: ReturnType<typeof makeSheetPainter> } | null>(null)
  const latest = useRef({ site, page, only, boxed })
  const inSight = useRef(false)
  latest.current = { site, page, only, boxed }
  const draw = (): void => {
    if (!inSight.current || !frame.current) return
    if (drawn.current?.view.isEmptied) drawn.current = null
    drawn.current ??= { view: new SheetView(frame.current, null), paint: makeSheetPainter() }
    const { site: now, page: shown, only: alone, boxed: marked } = latest.current
    drawn.current.view.show(drawn.current.paint(now, shown), alone)
    if (marked) drawn.current.view.box(marked)
    frame.current.setAttribute('data-drawn', '')
  }
  useEffect(() => {
    const element = box.current
    if (!element) return
    const observer = new IntersectionObserver(
      ([entry]) => {
        inSight.current = entry?.isIntersecting ?? false
        const make = (): void => {
          if (inSight.current) setMade(true)
          draw()
        }
        cancelIdleCallback(later)
        if (entry && isNear(entry)) later = requestIdleCallback(make)
        else make()
      },
      { rootMargin: `${NEAR_PX}px` },
    )
    let later = 0
    observer.observe(element)
    return () => {
      observer.disconnect()
      cancelIdleCallback(later)
      drawn.current = null
    }
  }, [])
  useEffect(draw, [site, page, only, boxed, isMade])
  const scale = width / layout
  return (
    <div ref={box} className="relative shrink-0 overflow-hidden border border-seam bg-white" style={{ width, height }}>
      {isMade && (
        <iframe
          ref={frame}
          title={label}
          tabIndex={-1}
          onLoad={() => drawn.current?.view.isEmptied && draw()}
          className="pointer-events-none absolute left-0 top-0 origin-top-left border-0"
          style={{ width: layout, height: height / scale, transform: `scale(${scale})` }}
        />
      )}
    </div>
  )
}
