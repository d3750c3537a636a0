import { useCallback, useEffect, useRef, useState } from 'react'
import type { DomainLook } from '@/core/domain'
import { domainLookSchema } from '@/core/replies'
import { askJson, sentenceOf } from '../../request/api'

/** After how long it is looked up again, in ms: at first soon, then ever less often, as long as something is open. */
const SOON_MS = 10_000
const MOST_MS = 300_000

export type Looking = {
  readonly look: DomainLook | null
  readonly isLooking: boolean
  readonly fault: string | null
  /** When it is looked up next, in ms since 1970; null where everything is right. */
  readonly nextMs: number | null
  readonly again: () => void
}

/** How a domain's records stand: looked up when the screen opens, when asked for, and by itself as long as something is open. */
export function useDomainLook(job: string, domain: string, round: number): Looking {
  const [look, setLook] = useState<DomainLook | null>(null)
  const [isLooking, setLooking] = useState(false)
  const [fault, setFault] = useState<string | null>(null)
  const [nextMs, setNext] = useState<number | null>(null)
  const wait = useRef(SOON_MS)
  const running = useRef(false)
  const isStale = useRef(false)
  const run = useCallback(async (): Promise<void> => {
    // What was done while it is looked up is not in it: it is looked up once more.
    isStale.current = running.current
    if (running.current) return
    running.current = true
    setLooking(true)
    try {
      const found = await askJson(`/api/jobs/${job}/domain/look`, {}, domainLookSchema)
      setLook(found)
      setFault(null)
      setNext(found.records.every(({ state }) => state === 'right') ? null : Date.now() + wait.current)
    } catch (error) {
      setFault(sentenceOf(error, 'It could not be looked up. Try again.'))
      setNext(Date.now() + wait.current)
    } finally {
      wait.current = Math.min(MOST_MS, wait.current * 1.6)
      running.current = false
      setLooking(false)
      if (isStale.current) setNext(Date.now())
    }
  }, [job])
  useEffect(() => {
    wait.current = SOON_MS
    void run()
  }, [run, domain, round])
  useEffect(() => {
    if (nextMs === null) return
    const timer = setTimeout(
      () => void (document.visibilityState === 'visible' ? run() : setNext(Date.now() + wait.current)),
      nextMs - Date.now(),
    )
    return () => clearTimeout(timer)
  }, [nextMs, run])
  const again = (): void => {
    wait.current = SOON_MS
    void run()
  }
  return { look, isLooking, fault, nextMs, again }
}
