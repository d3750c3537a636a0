import { useEffect, useState } from 'react'
import { pagesDiffering } from '@/core/compare'
import { useJob } from '../job/job-context'
import { useVersion } from '../job/use-version'

/** After how long without a change it is counted anew, in ms: whoever types does not wait for it. */
const STILL_MS = 500

/** How many pages are not as visitors see them; 0 where nothing is live. `live` says which release that is. */
export function useDiffering(live: string | null): number {
  const id = useJob((s) => s.id)
  const document = useJob((s) => s.document)
  const [count, setCount] = useState(0)
  // Where it cannot be fetched nothing is said of it; Publish says what is wrong.
  const seen = useVersion(id, live === null ? null : 'live', { round: live }).version?.document
  useEffect(() => {
    if (!seen) return setCount(0)
    const timer = setTimeout(() => setCount(pagesDiffering(seen, document).size), STILL_MS)
    return () => clearTimeout(timer)
  }, [seen, document])
  return count
}
