import { useEffect, useMemo, useState } from 'react'
import { pagesDiffering, pagesWithOwnDifferences } from '@/core/compare'
import { pageTexts } from '@/core/fill'
import { withPageAlone } from '@/core/plan'
import { findPage, type PageId, type SiteDocument } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import type { JobState } from '../job/job-state'
import { measureApart } from '../job/measure-apart'
import { useVersion } from '../job/use-version'

/** A page that is to go out alone, and the job as it goes out then; null while that is measured. */
export type Alone = { readonly page: PageId; readonly state: JobState | null }
export type PageChoice = { readonly page: PageId; readonly name: string }

export type ChosenAlone = {
  /** The pages that can go out alone: some, where more differs from what is live than one page. */
  readonly choices: readonly PageChoice[]
  readonly alone: Alone | null
  /** Nothing that anybody wrote or placed differs from what is live; false also where that is not known. */
  readonly isUnedited: boolean
  /** Why the page that is chosen cannot go out alone. */
  readonly fault: string | null
  readonly choose: (page: PageId | null) => void
}

/** Which page is to go out alone, if any, over a release that is live. */
export function useAlone(release: string | null): ChosenAlone {
  const store = useJobStore()
  const id = useJob((s) => s.id)
  const pack = useJob((s) => s.pack)
  const document = useJob((s) => s.document)
  // Where it cannot be fetched, all that has changed can still go out.
  const live = useVersion(id, release).version?.document ?? null
  const [asked, choose] = useState<PageId | null>(null)
  const [measured, setMeasured] = useState<{ readonly of: SiteDocument; readonly state: JobState } | null>(null)
  const choices = useMemo(() => (live ? choicesOf(pack, live, document) : []), [pack, live, document])
  const page = choices.find((one) => one.page === asked)?.page ?? null
  const made = useMemo(() => (live && page !== null ? withPageAlone(live, document, page) : null), [live, document, page])
  const goingOut = made?.ok ? made.document : null
  useEffect(() => {
    if (!goingOut) return
    const over = new AbortController()
    measureApart(store.getState(), goingOut, over.signal).then(
      (state) => setMeasured({ of: goingOut, state }),
      () => undefined,
    )
    return () => over.abort()
  }, [store, goingOut])
  const isUnedited = useMemo(() => live !== null && pagesDiffering(live, document).size === 0, [live, document])
  return {
    choices,
    isUnedited,
    alone: page === null ? null : { page, state: measured && measured.of === goingOut ? measured.state : null },
    fault: made && !made.ok ? `This page cannot go out alone: ${made.why}. Publish all that has changed.` : null,
    choose,
  }
}

function choicesOf(pack: JobState['pack'], live: SiteDocument, now: SiteDocument): readonly PageChoice[] {
  if (pagesDiffering(live, now).size < 2) return []
  return [...pagesWithOwnDifferences(live, now)].flatMap((id) => {
    const [here, there] = [findPage(now, id), findPage(live, id)]
    if (here) return [{ page: id, name: pageTexts(pack, now, here).name }]
    return there ? [{ page: id, name: `${pageTexts(pack, live, there).name} (gone)` }] : []
  })
}
