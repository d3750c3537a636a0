'use client'
import { useEffect, useRef, useState, type ReactNode } from 'react'

/** How far beyond what is seen rows are drawn, in px. */
const NEAR_PX = 800
/** About how high a row is, in px. */
const ROW_PX = 48

type Props = { readonly rows: number; readonly isWanted: boolean; readonly children: () => ReactNode }

/** Rows that are drawn once they are near to being seen, or wanted; a long site does not have to be drawn whole. */
export function NearRows({ rows, isWanted, children }: Props) {
  const box = useRef<HTMLDivElement>(null)
  const [isNear, setNear] = useState(isWanted)
  const isDrawn = isNear || isWanted
  useEffect(() => {
    const element = box.current
    if (!element) return
    const observer = new IntersectionObserver(([entry]) => entry?.isIntersecting && setNear(true), {
      root: element.closest('[data-ledger]'),
      rootMargin: `${NEAR_PX}px`,
    })
    observer.observe(element)
    return () => observer.disconnect()
  }, [isDrawn])
  return isDrawn ? children() : <div ref={box} style={{ height: rows * ROW_PX }} />
}
