import type { StoreApi } from 'zustand/vanilla'
import { makeDocument, type Site } from '@/core/fill'
import { getTemplate } from '@/core/pack'
import { menuKeyOf } from '@/core/render'
import { sectionsIn, type SiteDocument } from '@/core/site'
import { measureMenu } from '../sheets/measure-menu'
import type { JobState } from './job-state'
import { siteOf } from './site-of'

/** How long what changes a menu has to rest before it is measured, in ms: while a label is typed, the sheets go first. */
const REST = 200

/** Keeps in sight where a job's menu fits, as long as the job is open in this window: measured anew when what decides it has changed. */
export function followMenu(store: StoreApi<JobState>): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined
  let isOver = false
  const measure = async (): Promise<void> => {
    const site = siteOf(store.getState())
    const key = menuKeyOf(site)
    if (store.getState().menuFit?.key === key) return
    const fit = await measureMenu(site, withOwnPages(site)).catch((error: unknown) => {
      console.error('The menu could not be measured', error)
      return { from: null, breaks: null }
    })
    if (isOver) return
    // What has changed meanwhile is measured next.
    if (menuKeyOf(siteOf(store.getState())) === key) store.setState({ menuFit: { key, ...fit } })
    else await measure()
  }
  const soon = (): void => {
    clearTimeout(timer)
    timer = setTimeout(() => void measure(), REST)
  }
  soon()
  const stop = store.subscribe((now, before) => {
    if (decides(now.document, before.document)) soon()
  })
  return () => {
    isOver = true
    clearTimeout(timer)
    stop()
  }
}

/** Whether something has changed that a menu may be made of; whether it really has, its key says. */
function decides(now: SiteDocument, before: SiteDocument): boolean {
  if (now === before) return false
  const parts = ['pages', 'signposts', 'plan', 'dress', 'brand', 'labels', 'facts', 'language'] as const
  return parts.some((part) => now[part] !== before[part]) || headOf(now) !== headOf(before)
}

const headOf = (document: SiteDocument): unknown => sectionsIn(document, { type: 'header' })

/** The site with the pages that its template comes with: the menu that its header was designed for. */
function withOwnPages(site: Site): Site {
  const { document, pack } = site
  const own = makeDocument(getTemplate(pack, document.dress.template), {}, document.brand)
  const others = Object.values(own.sections).filter((section) => section.in.type !== 'header')
  const head = sectionsIn(document, { type: 'header' })
  const sections = Object.fromEntries([...head, ...others].map((section) => [section.id, section]))
  return { ...site, document: { ...own, facts: document.facts, language: document.language, sections } }
}
