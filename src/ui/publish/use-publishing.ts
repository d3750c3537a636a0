import { useRouter } from 'next/navigation'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import type { Site } from '@/core/fill'
import type { Held } from '@/core/lines'
import { preparedSchema, publishedSchema, publishProgressSchema, type Prepared, type Published, type PublishProgress } from '@/core/replies'
import { holdAsksOf, holdKeyOf } from '@/core/render'
import { useJob } from '../job/job-context'
import { siteOf } from '../job/site-of'
import { useSite } from '../job/use-site'
import { count, kilobytes } from '../parts/words'
import { ApiError, callWithProgress, sendJson, sentenceOf } from '../request/api'
import type { DestinationLine } from './destination-line'
import type { Alone } from './use-alone'

const PREPARING = { progress: publishProgressSchema, result: preparedSchema }
const PUBLISHING = { progress: publishProgressSchema, result: publishedSchema }
const BROKEN = 'Something went wrong here. Reload the page; nothing that was saved is lost.'

/** What would go out; `page` goes out alone, null: all that has changed does. */
export type Plan = Prepared & { readonly page: string | null }

/** What is asked for: a page alone, if one is, and what was measured of the site as it goes out. */
type Asked = {
  readonly page?: string
  readonly menu?: { readonly key: string; readonly from: number | null }
  readonly holds?: readonly { readonly key: string; readonly held: Held }[]
}

export type Publishing = {
  /** What publishing would change, for the site as it is now; null until that is reckoned. */
  readonly plan: Plan | null
  readonly progress: PublishProgress | null
  readonly fault: string | null
  /** What there is to say of a publication that somebody has stopped. */
  readonly stopped: string | null
  readonly done: string | null
  readonly busy: boolean
  readonly prepare: () => void
  /** False where it did not go live. */
  readonly publish: (note: string) => Promise<boolean>
  readonly putBack: (release: string) => void
  /** Takes the site off, until something is published again. */
  readonly takeOff: () => void
  /** Stops what is being published; null where it is not, or visitors are being switched already. */
  readonly stop: (() => void) | null
}

/**
 * One long call at a time: making the plan, or publishing. What is asked for while one runs is done after it, so the
 * plan that is shown is always of the site as it is.
 */
export function usePublishing(
  { id: destination, isSeenAtOnce }: Pick<DestinationLine, 'id' | 'isSeenAtOnce'>,
  address: string | null,
  alone: Alone | null,
): Publishing {
  const router = useRouter()
  const job = useJob((s) => s.id)
  const saved = useJob((s) => s.saveState === 'saved')
  const revision = useJob((s) => s.revision)
  const publications = useJob((s) => s.publications)
  const [made, setMade] = useState<Plan | null>(null)
  const [progress, setProgress] = useState<PublishProgress | null>(null)
  const [fault, setFault] = useState<string | null>(null)
  const [stopped, setStopped] = useState<string | null>(null)
  const [done, setDone] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
  const [isOut, setOut] = useState(false)
  // Where the menu fits, and how texts are held to their lines, is measured here and published with the rest: the plan is of what was
  // measured last.
  const present = { menuFit: useJob((s) => s.menuFit), holds: useJob((s) => s.holds) }
  const presentSite = useSite()
  const { menuFit: menu = null, holds = null } = alone ? (alone.state ?? {}) : present
  const isMeasured = menu !== null && holds !== null
  const site = useMemo(() => (alone?.state ? siteOf(alone.state) : presentSite), [alone?.state, presentSite])
  const held = useMemo(() => heldIn(site), [site])
  const page = alone?.page ?? null
  const wanted = useRef<Asked>({})
  wanted.current = { ...(page !== null && { page }), ...(menu && { menu: { key: menu.key, from: menu.from } }), holds: held }
  const running = useRef(false)
  const again = useRef(false)

  /** Runs the one call; false where it failed. */
  const run = useCallback(async (work: () => Promise<void>): Promise<boolean> => {
    running.current = true
    setBusy(true)
    setFault(null)
    setStopped(null)
    try {
      await work()
      return true
    } catch (error) {
      if (error instanceof ApiError && error.code === 'publishingStopped') setStopped(error.message)
      else setFault(sentenceOf(error, BROKEN))
      return false
    } finally {
      running.current = false
      setBusy(false)
      setProgress(null)
    }
  }, [])

  const prepare = useCallback(async (): Promise<void> => {
    again.current = true
    if (running.current || address === null) return
    while (again.current) {
      again.current = false
      await run(async () => {
        const asked = { ...wanted.current, destination }
        const plan = await callWithProgress(`/api/jobs/${job}/prepare`, asked, PREPARING, setProgress)
        setMade({ ...plan, page: asked.page ?? null })
      })
    }
  }, [job, destination, address, run])

  useEffect(() => {
    if (saved && isMeasured) void prepare()
    // What somebody else has published changes what is left to publish.
  }, [prepare, saved, revision, isMeasured, menu, holds, page, publications])

  const put = async (
    input: { revision: number; page?: string; note: string } | { release: string } | { withdraw: true },
    words: (sent: Published) => string,
  ): Promise<boolean> => {
    if (running.current) return false
    setDone(null)
    setOut(true)
    const isDone = await run(async () => {
      const sent = await callWithProgress(`/api/jobs/${job}/publish`, { ...input, destination }, PUBLISHING, setProgress)
      setDone(words(sent))
    })
    setOut(false)
    router.refresh()
    // What is live has changed, and so has the plan. What went wrong is to be read first, unless something else came meanwhile.
    if (isDone || again.current) void prepare()
    return isDone
  }

  const isNow =
    made !== null && made.revision === revision && made.destination === destination && made.address === address && made.page === page
  return {
    plan: isNow ? made : null,
    progress,
    fault,
    stopped,
    done,
    busy,
    prepare: () => void prepare(),
    publish: async (note) =>
      isNow && (await put({ revision: made.revision, ...(page !== null && { page }), note }, (sent) => wordsOf(sent, isSeenAtOnce))),
    stop:
      isOut && progress?.step !== 'switching' ? () => void sendJson(`/api/jobs/${job}/publish`, {}, 'DELETE').catch(() => undefined) : null,
    takeOff: () => void put({ withdraw: true }, () => 'The site is offline.'),
    putBack: (release) => void put({ release }, () => 'The earlier release is live again.'),
  }
}

/** How the texts of a site are held, under the names of all that decides it. */
function heldIn(site: Site): Asked['holds'] & object {
  const release: Site = { ...site, mode: 'release' }
  return holdAsksOf(release).flatMap((ask) => {
    const held = site.holds?.(ask)
    return held ? [{ key: holdKeyOf(release, ask), held }] : []
  })
}

function wordsOf({ sentFiles, sentBytes, notSentOn }: Published, isSeenAtOnce: boolean): string {
  if (!isSeenAtOnce) return 'The zip is ready. Visitors see it once somebody has put it up.'
  const sent = sentFiles === 0 ? 'Every file was there already.' : `${count(sentFiles, 'file')} sent, ${kilobytes(sentBytes)}.`
  return notSentOn === null ? `Live. ${sent}` : `Live. ${sent} Visitors of ${notSentOn} are not sent on yet; that is tried again by itself.`
}
