import { useDeferredValue, useMemo } from 'react'
import { changedSince } from '@/core/ledger'
import { useJob } from '../job/job-context'
import { useVersion } from '../job/use-version'
import { refusal } from '../parts/notice'

/** What is not as it was published: its places, once that is known; `none` where nothing is live. */
export type Changed = ReadonlySet<string> | 'none' | null

/** Which places are not as they were published, while that is asked. */
export function useChanged(isAsked: boolean): Changed {
  const id = useJob((s) => s.id)
  const { version, isKnown } = useVersion(id, isAsked ? 'live' : null, {
    onFault: refusal,
    otherwise: 'What is live could not be fetched.',
  })
  const document = useDeferredValue(useJob((s) => (isAsked ? s.document : null)))
  const live = isKnown ? (version?.document ?? 'none') : null
  return useMemo(() => (live === 'none' ? live : live && document ? changedSince(live, document) : null), [live, document])
}
