import * as v from 'valibot'
import { summarizeVisits } from '../../core/release'
import type { SiteVisits } from '../../core/replies'
import { destinationOf, WEB_HOST } from '../destinations/registry'
import { orProblem } from '../destinations/to-problem'
import { countVisits, hostVisits } from '../destinations/web-host/visits'
import { Problem } from '../problems'
import { addressesOf, livePublication } from '../store/publications'

export const countedSchema = v.strictObject({ isCounted: v.boolean() })

/** For how many days visits are told. */
const SPAN_DAYS = 30

/** How often pages of a job's site were seen on our host lately, at every address that it has had there. */
export async function siteVisits(job: string, now = new Date()): Promise<SiteVisits> {
  const address = liveAddress(job)
  return orProblem(destinationOf(), address, async () => {
    const { isCounted } = await hostVisits(address)
    const all = await Promise.all(addressesOf(job, WEB_HOST).map(hostVisits))
    const days = all.flatMap((one) => one.days)
    return { ...summarizeVisits(days, now.toISOString().slice(0, 10), SPAN_DAYS), isCounted }
  })
}

/** Has the pages of a job's site counted when they are seen, or not. */
export async function setCounted(job: string, isCounted: boolean): Promise<void> {
  const address = liveAddress(job)
  await orProblem(destinationOf(), address, () => countVisits(address, isCounted))
}

function liveAddress(job: string): string {
  const live = livePublication(job, WEB_HOST)
  if (!live) throw new Problem('releaseGone')
  return live.address
}
