import type { SiteDocument } from '@/core/site'
import { callApi } from './api'

export type Past = { readonly revision: number; readonly document: SiteDocument }

/** The site as it was at a revision. */
export async function fetchPast(job: string, revision: number): Promise<Past | null> {
  return (await callApi<{ past: Past | null }>(`/api/jobs/${job}/past?at=${revision}`)).past
}

/** The site as a release has it, or as visitors see it (`live`); null where nothing is live. */
export async function fetchReleased(job: string, release: string): Promise<Past | null> {
  return (await callApi<{ past: Past | null }>(`/api/jobs/${job}/past?release=${encodeURIComponent(release)}`)).past
}
