import * as v from 'valibot'
import type { NoticeView } from '../../core/replies'
import { WEB_HOST } from '../destinations/registry'
import { MOST_TRIES, noticesUrl } from '../notices/notices'
import { getJob } from '../store/jobs'
import { lastNotice, setTells, tellsOf, type Notice } from '../store/notices'

export const tellsSchema = v.strictObject({ tells: v.boolean() })

export function noticeView(job: string, destination: string = WEB_HOST): NoticeView | null {
  if (noticesUrl() === null) return null
  const last = lastNotice(job, destination)
  return { tells: tellsOf(job), last: last && lineOf(last) }
}

function lineOf({ urls, toldAt, said, tries }: Notice): NonNullable<NoticeView['last']> {
  return { pages: urls.length, toldAt, said, isOver: toldAt === null && tries >= MOST_TRIES }
}

/** Has search engines told of what changes on a job's site, or not; what is published next shows it. */
export function setTold(job: string, tells: boolean): void {
  setTells(getJob(job).id, tells)
}
