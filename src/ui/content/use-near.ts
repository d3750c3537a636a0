import { useEffect, useState } from 'react'
import { findNear, type Near } from '@/core/check'
import { useJobStore } from '../job/job-context'

/** How long nobody types before the words are looked over: what is found matters when they are there, not at each key. */
const REST_MS = 400

/** What is nearly a leftover on the whole site, looked for while nobody types. */
export function useNear(): readonly Near[] {
  const store = useJobStore()
  const [found, setFound] = useState<readonly Near[]>([])
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined
    const look = (): void => {
      const { pack, document } = store.getState()
      setFound(findNear(pack, document))
    }
    timer = setTimeout(look)
    const stop = store.subscribe((now, before) => {
      if (now.document === before.document) return
      clearTimeout(timer)
      timer = setTimeout(look, REST_MS)
    })
    return () => {
      stop()
      clearTimeout(timer)
    }
  }, [store])
  return found
}
