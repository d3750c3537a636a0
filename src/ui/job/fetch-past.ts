import type { SiteDocument } from '@/core/site'
import { callApi } from './api'

export type Past = { readonly revision: number; readonly document: SiteDocument }

/** The site as it was at a revision, or as visitors see it; null where nothing is live. */
export async function fetchPast(job: string, at: number | 'live'): Promise<Past | null> {
  return (await callApi<{ past: Past | null }>(`/api/jobs/${job}/past?at=${at}`)).past
}
