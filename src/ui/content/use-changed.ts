import { useDeferredValue, useEffect, useMemo, useState } from 'react'
import { changedSince } from '@/core/ledger'
import type { SiteDocument } from '@/core/site'
import { ApiError } from '../job/api'
import { fetchReleased } from '../job/fetch-past'
import { useJob } from '../job/job-context'
import { refusal } from '../parts/notice'

/** What is not as it was published: its places, once that is known; `none` where nothing is live. */
export type Changed = ReadonlySet<string> | 'none' | null

/** Which places are not as they were published, while that is asked. */
export function useChanged(isAsked: boolean): Changed {
  const id = useJob((s) => s.id)
  const [live, setLive] = useState<SiteDocument | 'none' | null>(null)
  const document = useDeferredValue(useJob((s) => (isAsked ? s.document : null)))
  useEffect(() => {
    if (!isAsked) return
    let isWanted = true
    fetchReleased(id, 'live')
      .then((past) => isWanted && setLive(past?.document ?? 'none'))
      .catch((error: unknown) => isWanted && refusal(error instanceof ApiError ? error.message : 'What is live could not be fetched.'))
    return () => void (isWanted = false)
  }, [id, isAsked])
  return useMemo(() => (live === 'none' ? live : live && document ? changedSince(live, document) : null), [live, document])
}
