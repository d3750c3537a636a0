'use client'
import { useEffect } from 'react'
import { visionFilter, VISIONS, type Vision } from '@/core/colour'
import { inputClass } from '../parts/field'

const WORDS: Record<Vision, string> = {
  full: 'in full colour',
  protan: 'without red cones',
  deutan: 'without green cones',
  tritan: 'without blue cones',
  mono: 'by lightness alone',
}

/** How the sheets are seen; Alt+V goes on to the next way. */
export function VisionChoice({ vision, onVision }: { vision: Vision; onVision: (vision: Vision) => void }) {
  useEffect(() => {
    const press = (event: KeyboardEvent): void => {
      if (!event.altKey || event.key.toLowerCase() !== 'v') return
      event.preventDefault()
      onVision(VISIONS[(VISIONS.indexOf(vision) + 1) % VISIONS.length] ?? 'full')
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [vision, onVision])
  return (
    <label className="flex items-center gap-1.5 text-sm">
      Seen
      <select
        aria-label="Seen"
        title="Alt+V: the next way of seeing"
        className={`${inputClass} w-auto! py-1!`}
        value={vision}
        onChange={(event) => onVision(event.target.value as Vision)}
      >
        {VISIONS.map((v) => (
          <option key={v} value={v}>
            {WORDS[v]}
          </option>
        ))}
      </select>
    </label>
  )
}

/** The filter that a way of seeing is drawn with, for `filter: url(#vision)`. */
export function VisionFilter({ vision }: { vision: Vision }) {
  if (vision === 'full') return null
  return (
    <svg width="0" height="0" className="absolute" aria-hidden>
      <filter id="vision" colorInterpolationFilters="linearRGB">
        <feColorMatrix values={visionFilter(vision)} />
      </filter>
    </svg>
  )
}
