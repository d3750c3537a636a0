import { nanoid } from 'nanoid'
import { useCallback, useRef } from 'react'

/** How long a pause in typing may be before what follows is a further step to undo. */
const PAUSE_MS = 4000

/** A name for the gesture a change belongs to: the same while one place is changed without a long pause. */
export function useGesture(): (place: string) => string {
  const last = useRef({ place: '', at: 0, id: '' })
  return useCallback((place) => {
    const now = Date.now()
    if (last.current.place !== place || now - last.current.at > PAUSE_MS) last.current = { place, at: now, id: nanoid(10) }
    last.current.at = now
    return last.current.id
  }, [])
}
