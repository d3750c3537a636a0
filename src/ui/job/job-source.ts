import type { Site } from '@/core/fill'
import { homePage, type Page, type SiteDocument } from '@/core/site'
import type { JobStore } from './job-store'
import { siteOf } from './site-of'

/** A page of a job for the sheets, as it is now; told of when the job changes, or what is looked at does. */
export type JobSource = {
  readonly current: () => { readonly site: Site; readonly page: Page }
  readonly subscribe: (onChange: () => void) => () => void
}
type Look = { readonly subscribe: (onChange: () => void) => () => void }

export function jobSource(
  store: JobStore,
  pageOf: (site: Site) => Page = (site) => homePage(site.document),
  look: Look | null = null,
  seen: (document: SiteDocument) => SiteDocument = (document) => document,
): JobSource {
  return {
    current: () => {
      const now = siteOf(store.getState())
      const site: Site = { ...now, document: seen(now.document) }
      return { site, page: pageOf(site) }
    },
    subscribe: (onChange) => {
      const stopJob = store.subscribe((now, before) => {
        const isChanged = (['document', 'pack', 'assets', 'holds', 'hyphens'] as const).some((part) => now[part] !== before[part])
        if (isChanged || now.menuFit?.from !== before.menuFit?.from) onChange()
      })
      const stopLook = look?.subscribe(onChange)
      return () => {
        stopJob()
        stopLook?.()
      }
    },
  }
}
