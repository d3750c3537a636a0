import { toSegment } from '../../core/pages'
import { destinationOf } from '../destinations/registry'
import { getJob } from '../store/jobs'
import { namesOfPeople } from '../store/people'
import { livePublication, openPublications } from '../store/publications'
import { publishedReleases } from '../store/releases'
import { findJobLine } from './list-jobs'

/** One release as the list shows it. */
export type ReleaseLine = {
  readonly id: string
  readonly number: number | null
  readonly at: string
  readonly address: string
  readonly live: boolean
  readonly files: number
  readonly bytes: number
  /** Who published it last, by name; nobody where that was not kept. */
  readonly by: string | null
  readonly note: string
}
export type PublishView = {
  readonly address: string | null
  /** A name for the address, from the client's. */
  readonly proposal: string
  readonly hostSuffix: string
  readonly liveUrl: string | null
  readonly releases: readonly ReleaseLine[]
  /** An old address whose visitors are not sent on yet. */
  readonly notSentOn: string | null
}

/** What the Publish stage shows when it opens. */
export function publishView(job: string): PublishView {
  const { name, liveUrl } = findJobLine(job)
  const live = livePublication(job)
  const names = namesOfPeople()
  const releases = publishedReleases(job).map((release) => ({
    id: release.id,
    number: release.number,
    at: release.lastLiveAt,
    address: release.address,
    live: release.id === live?.release,
    files: Object.keys(release.manifest).length,
    bytes: Object.values(release.manifest).reduce((sum, f) => sum + f.bytes, 0),
    by: release.person && (names.get(release.person) ?? null),
    note: release.note,
  }))
  return {
    address: getJob(job).address,
    proposal: toSegment(name, 63),
    hostSuffix: destinationOf().originOf('').replace('http://', ''),
    liveUrl,
    releases,
    notSentOn: openPublications(job).find((p) => p.switchedAt !== null)?.movedFrom ?? null,
  }
}
