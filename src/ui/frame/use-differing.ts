import { useEffect, useState } from 'react'
import { pagesDiffering } from '@/core/compare'
import type { SiteDocument } from '@/core/site'
import { fetchReleased } from '../job/fetch-past'
import { useJob } from '../job/job-context'

/** After how long without a change it is counted anew, in ms: whoever types does not wait for it. */
const STILL_MS = 500

/** How many pages are not as visitors see them; 0 where nothing is live. `live` says which release that is. */
export function useDiffering(live: string | null): number {
  const id = useJob((s) => s.id)
  const document = useJob((s) => s.document)
  const [seen, setSeen] = useState<SiteDocument | null>(null)
  const [count, setCount] = useState(0)
  useEffect(() => {
    let isOver = false
    setSeen(null)
    if (live === null) return
    // Where it cannot be fetched nothing is said of it; Publish says what is wrong.
    fetchReleased(id, 'live').then(
      (past) => isOver || setSeen(past?.document ?? null),
      () => undefined,
    )
    return () => void (isOver = true)
  }, [id, live])
  useEffect(() => {
    if (!seen) return setCount(0)
    const timer = setTimeout(() => setCount(pagesDiffering(seen, document).size), STILL_MS)
    return () => clearTimeout(timer)
  }, [seen, document])
  return count
}
