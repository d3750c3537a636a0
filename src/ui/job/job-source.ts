import type { Site } from '@/core/fill'
import { dayOf, homePage, type Page, type SiteDocument } from '@/core/site'
import type { JobStore } from './job-store'

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
      const { document, pack, assets, menuFit } = store.getState()
      const today = dayOf(new Date())
      const site: Site = { document: seen(document), pack, assets, mode: 'sheet', today, menuFrom: menuFit?.from ?? null }
      return { site, page: pageOf(site) }
    },
    subscribe: (onChange) => {
      const stopJob = store.subscribe((now, before) => {
        const isChanged = now.document !== before.document || now.assets !== before.assets
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
