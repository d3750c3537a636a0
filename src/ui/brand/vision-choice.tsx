'use client'
import { visionFilter, VISIONS, type Vision } from '@/core/colour'
import { useKey, useKeyWords } from '../keys/use-key'
import { inputClass } from '../parts/field'

const WORDS: Record<Vision, string> = {
  full: 'typical',
  protan: 'red-weak',
  deutan: 'green-weak',
  tritan: 'blue-weak',
  mono: 'greyscale',
}

/** How the sheets are seen; a key goes on to the next way. */
export function VisionChoice({ vision, onVision }: { vision: Vision; onVision: (vision: Vision) => void }) {
  const keyWords = useKeyWords()
  useKey('vision', () => onVision(VISIONS[(VISIONS.indexOf(vision) + 1) % VISIONS.length] ?? 'full'), { always: true })
  return (
    <label className="flex items-center gap-1.5 text-sm">
      Vision
      <select
        aria-label="Vision"
        title={`The next way of seeing (${keyWords('vision')})`}
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
