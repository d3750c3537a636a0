import * as v from 'valibot'
import { WEB_HOST } from '../destinations/registry'
import { noticesUrl } from '../notices/notices'
import { getJob } from '../store/jobs'
import { lastNotice, setTells, tellsOf } from '../store/notices'

export const tellsSchema = v.strictObject({ tells: v.boolean() })

/** Whether search engines are told of changes, and what became of the last notice; null where this installation tells nobody. */
export type NoticeView = {
  readonly tells: boolean
  readonly last: { readonly pages: number; readonly toldAt: string | null; readonly said: string | null } | null
} | null

export function noticeView(job: string, destination: string = WEB_HOST): NoticeView {
  if (noticesUrl() === null) return null
  const last = lastNotice(job, destination)
  return { tells: tellsOf(job), last: last && { pages: last.urls.length, toldAt: last.toldAt, said: last.said } }
}

/** Has search engines told of what changes on a job's site, or not; what is published next shows it. */
export function setTold(job: string, tells: boolean): void {
  setTells(getJob(job).id, tells)
}
