import { createHash } from 'node:crypto'
import PQueue from 'p-queue'
import { noticedPaths, noticeFault, noticeFile, noticeOf, readSitemapDays, type Listed, type Manifest } from '../../core/release'
import { own } from '../../core/own'
import type { Destination } from '../destinations/destination'
import { keepBlob, readBlob } from '../files/blobs'
import { kept } from '../files/kept'
import { originOf } from '../releases/where'
import { insertNotice, noteNotTold, noteTold, openNotices, takeUntold, tellsOf, type Notice } from '../store/notices'
import { getPublication, type Publication } from '../store/publications'
import { getRelease } from '../store/releases'

/** How often a notice is sent before it waits for the next release; how long is waited between two tries, at first and at most, in ms. */
export const MOST_TRIES = 16
/** How soon one that did not answer is told again, in ms; then ever less often. `INSTANT_FIT_NOTICES_AGAIN` says it in seconds. */
const againMs = (): number => 1000 * (Number(process.env.INSTANT_FIT_NOTICES_AGAIN) || 20)
const MOST_MS = 3_600_000
const QUIET_MS = 15_000

/** Where search engines are told (the open change-notice protocol, IndexNow); null: nobody is, and nothing of it is published. */
export function noticesUrl(): string | null {
  return process.env.INSTANT_FIT_NOTICES || null
}

/** Whether what changes on a job's site is told. */
export function isTold(job: string): boolean {
  return noticesUrl() !== null && tellsOf(job)
}

/** What shows that notices of a site are its own; the same for as long as the job is, wherever it is kept. */
function keyOf(job: string): string {
  return createHash('sha256').update(`change notices ${job}`).digest('hex').slice(0, 32)
}

/** The files of a site with the one that shows whose notices are its own. */
export function withNoticeKey(job: string, manifest: Manifest): Manifest {
  if (!isTold(job)) return manifest
  const key = keyOf(job)
  return { ...manifest, [noticeFile(key)]: keepBlob(key) }
}

/** Notes what those who search should look at again now that a publication is live, and begins to tell them. */
export function noticeLater({ capabilities }: Destination, publication: Publication, was: Publication | null): void {
  if (!isTold(publication.job) || !capabilities.isSeenAtOnce) return
  const origin = originOf(publication)
  // What was at another address is no page of this one.
  const before = was && originOf(was) === origin ? listedIn(was) : null
  const now = listedIn(publication)
  const paths = noticedPaths(before, now)
  // A site that was taken off cannot show any more that it is told of by its owner.
  if (Object.keys(now.manifest).length === 0) return
  const { id, job, destination } = publication
  const untold = takeUntold(job, destination).filter((url) => url.startsWith(`${origin}/`))
  const urls = [...new Set([...untold, ...paths.map((path) => origin + path)])]
  if (urls.length === 0) return
  insertNotice(id, job, urls)
  tellSoon(0)
}

function listedIn(publication: Publication): Listed {
  const { manifest } = getRelease(publication.job, publication.release)
  const map = own(manifest, 'sitemap.xml')
  return { manifest, listed: new Set(readSitemapDays(String((map && readBlob(map.hash)) ?? ''), originOf(publication)).keys()) }
}

/** One look at what is to be told at a time: nothing is sent twice. */
type Telling = { readonly queue: PQueue; timer: NodeJS.Timeout | null; afterMs: number }
const telling = (): Telling => kept('telling', () => ({ queue: new PQueue({ concurrency: 1 }), timer: null, afterMs: againMs() }))

/** Tells what is not told yet, ever less often while nobody takes it. */
export function tellSoon(afterMs: number = telling().afterMs): void {
  const state = telling()
  if (state.timer !== null) clearTimeout(state.timer)
  state.timer = setTimeout(() => {
    state.timer = null
    void state.queue.add(tellOpen).then(
      (isDone) => {
        state.afterMs = isDone ? againMs() : Math.min(MOST_MS, state.afterMs * 2)
        if (!isDone) tellSoon()
      },
      (error: unknown) => console.error('Search engines could not be told', error),
    )
  }, afterMs)
  state.timer.unref()
}

/** Sends each notice that is open; true where none is left to be tried again. */
async function tellOpen(): Promise<boolean> {
  const url = noticesUrl()
  if (url === null) return true
  for (const notice of openNotices(MOST_TRIES)) await tell(url, notice)
  return openNotices(MOST_TRIES).length === 0
}

async function tell(url: string, { publication: id, job, urls, tries }: Notice): Promise<void> {
  const publication = getPublication(id)
  const body = JSON.stringify(noticeOf(originOf(publication), keyOf(job), urls))
  const fault = await fetch(url, {
    method: 'POST',
    headers: { 'content-type': 'application/json; charset=utf-8' },
    body,
    redirect: 'error',
    signal: AbortSignal.timeout(QUIET_MS),
  }).then(
    (answer) => noticeFault(answer.status),
    () => ({ words: 'it does not answer', isForNow: true }),
  )
  if (fault === null) noteTold(id, new Date().toISOString())
  else noteNotTold(id, fault.words, fault.isForNow ? tries + 1 : MOST_TRIES)
}
