import * as v from 'valibot'
import { WEB_HOST } from '../destinations/registry'
import { MOST_TRIES, noticesUrl } from '../notices/notices'
import { getJob } from '../store/jobs'
import { lastNotice, setTells, tellsOf, type Notice } from '../store/notices'

export const tellsSchema = v.strictObject({ tells: v.boolean() })

/** Whether search engines are told of changes, and what became of the last notice; null where this installation tells nobody. */
export type NoticeView = {
  readonly tells: boolean
  /** `isOver`: it is not tried again, and told with the next release. */
  readonly last: { readonly pages: number; readonly toldAt: string | null; readonly said: string | null; readonly isOver: boolean } | null
} | null

export function noticeView(job: string, destination: string = WEB_HOST): NoticeView {
  if (noticesUrl() === null) return null
  const last = lastNotice(job, destination)
  return { tells: tellsOf(job), last: last && lineOf(last) }
}

function lineOf({ urls, toldAt, said, tries }: Notice): NonNullable<NoticeView>['last'] {
  return { pages: urls.length, toldAt, said, isOver: toldAt === null && tries >= MOST_TRIES }
}

/** Has search engines told of what changes on a job's site, or not; what is published next shows it. */
export function setTold(job: string, tells: boolean): void {
  setTells(getJob(job).id, tells)
}
