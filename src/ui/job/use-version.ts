import { useCallback } from 'react'
import { versionReplySchema, type VersionView } from '@/core/replies'
import { getJson } from '../request/api'
import { useQuery } from '../request/use-query'

type Found = {
  /** Null where nothing is live, and until it is known. */
  readonly version: VersionView | null
  readonly isKnown: boolean
  readonly fault: string | null
}

/** The site as it was at a revision, as a release has it, or as visitors see it (`live`); null asks for nothing. */
export function useVersion(job: string, version: number | string | null, options: Parameters<typeof useQuery>[1] = {}): Found {
  const query = typeof version === 'number' ? `at=${version}` : `release=${encodeURIComponent(version ?? '')}`
  const asked = useCallback(() => getJson(`/api/jobs/${job}/past?${query}`, versionReplySchema), [job, query])
  const { data, fault } = useQuery(version === null ? null : asked, options)
  return { version: data?.past ?? null, isKnown: data !== null, fault }
}
