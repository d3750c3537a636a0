'use client'
import { useCallback, useMemo } from 'react'
import type { AssetInfo } from '@/core/image'
import { fromLoose, type LoosePage } from '@/core/plan'
import { jobLinesSchema, jobPagesSchema, type JobLine, type JobLines } from '@/core/replies'
import { applyEdit, findPage, toEdit, type PageId } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { useSite } from '../job/use-site'
import { Button } from '../parts/button'
import { refusal } from '../parts/notice'
import { count } from '../parts/words'
import { getJson, sendJson } from '../request/api'
import { useMutation } from '../request/use-mutation'
import { useQuery } from '../request/use-query'
import { TryOn } from '../sheets/try-on'
import { attempt, unique } from './use-acts'

/** The other jobs whose pages can be taken; null until they are known. */
export function useOtherJobs(): readonly JobLine[] | null {
  const id = useJob((s) => s.id)
  const { data } = useQuery(fetchJobs, { onFault: refusal })
  return data && data.jobs.filter((job) => job.id !== id && job.shelf !== 'bin' && job.trouble === null)
}
const fetchJobs = (): Promise<JobLines> => getJson('/api/jobs', jobLinesSchema)

type Props = {
  readonly from: string
  /** The name that the page is to go by; empty: its own. */
  readonly name: string
  readonly disabled: boolean
  readonly onAdded: (page: PageId) => void
}

/** The pages of another job as they would be on this site, each taken with what is in it or without. */
export function JobPagesShelf({ from, name, disabled, onAdded }: Props) {
  const store = useJobStore()
  const asked = useCallback(() => getJson(`/api/jobs/${from}/pages`, jobPagesSchema), [from])
  const { data: found, fault } = useQuery(asked, { onFault: refusal })
  const { busy, run } = useMutation({ onFault: refusal })
  const take = async (page: LoosePage, withContent: boolean): Promise<void> => {
    const isLinked = !withContent || (await run(() => sendJson(`/api/jobs/${store.getState().id}/pages`, { from, page: page.id })))
    if (!isLinked) return
    found?.assets.forEach((asset) => store.addAsset(asset))
    const { pack, document } = store.getState()
    const added = fromLoose(pack, document, page, { name, withContent }, unique)
    if (attempt(store, added.steps, 'The page was not added') !== null) onAdded(added.page)
  }
  if (found === null && fault === null) return <p className="text-sm text-soft">Fetching its pages…</p>
  if (!found || found.pages.length === 0) return <p className="text-sm text-soft">No page of this job can be taken.</p>
  return (
    <ul aria-label="Pages of the other job" className="grid grid-cols-[repeat(auto-fill,minmax(12rem,1fr))] gap-3 pb-3">
      {found.pages.map((page) => (
        <li key={page.id} className="grid content-start gap-1">
          <LooseTryOn page={page} assets={found.assets} />
          <span className="flex flex-wrap gap-1">
            <Button
              disabled={disabled || busy}
              onClick={() => void take(page, true)}
              aria-label={`Add “${page.name}” with everything in it`}
            >
              {page.name}
            </Button>
            <Button
              look="quiet"
              disabled={disabled || busy}
              onClick={() => void take(page, false)}
              aria-label={`Add “${page.name}” without what is in it`}
            >
              Without content
            </Button>
          </span>
          <span className="text-xs text-soft">{count(page.sections.length, 'section')}; its facts and links stay behind</span>
        </li>
      ))}
    </ul>
  )
}

function LooseTryOn({ page: loose, assets }: { page: LoosePage; assets: readonly AssetInfo[] }) {
  const site = useSite()
  const tried = useMemo(() => {
    let n = 0
    const added = fromLoose(site.pack, site.document, loose, { withContent: true }, () => `tried${n++}`)
    const applied = applyEdit(site.document, toEdit(added.steps))
    const page = applied.ok ? findPage(applied.document, added.page) : null
    if (!applied.ok || !page) return null
    const all = { ...site.assets, ...Object.fromEntries(assets.map((asset) => [asset.id, asset])) }
    return { site: { ...site, document: applied.document, assets: all }, page }
  }, [site, loose, assets])
  if (!tried) return null
  return <TryOn site={tried.site} page={tried.page} layout={1280} width={190} height={170} label={`${loose.name}, tried on`} />
}
