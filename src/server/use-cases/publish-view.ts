import type { DomainView } from '../../core/domain'
import { toSegment } from '../../core/pages'
import type { ConnectionKind } from '../destinations/kinds'
import { connectionLine } from '../destinations/connection-line'
import { destinationOf, WEB_HOST } from '../destinations/registry'
import { isDomain } from '../destinations/web-host/settings'
import { originOf, whereOf } from '../releases/where'
import { destinationsOf, type DestinationRow } from '../store/destinations'
import { getJob } from '../store/jobs'
import { namesOfPeople } from '../store/people'
import { livePublication, openPublications } from '../store/publications'
import { getRelease, lastAlone, publishedReleases } from '../store/releases'
import { findJobLine } from './list-jobs'
import { scheduledLines, type ScheduledLine } from './schedule-publication'
import { domainView } from './own-domain'

/** One release as the list shows it. */
export type ReleaseLine = {
  readonly id: string
  readonly number: number | null
  /** The page that went out alone in it, by its id. */
  readonly alone: string | null
  readonly at: string
  readonly address: string
  readonly live: boolean
  readonly files: number
  readonly bytes: number
  /** Who published it last, by name; nobody where that was not kept. */
  readonly by: string | null
  readonly note: string
}
/** A place that the site goes to, with what is live there; `connection` is how it is reached, in a line. */
export type DestinationLine = {
  readonly id: string
  readonly kind: typeof WEB_HOST | ConnectionKind
  readonly name: string
  readonly connection: string | null
  /** How it is reached, part by part, without what lets us in. */
  readonly settings: Readonly<Record<string, unknown>> | null
  readonly origin: string | null
  readonly liveUrl: string | null
  readonly number: number | null
  /** Visitors see a release there once it is published; else somebody puts it up by hand. */
  readonly isSeenAtOnce: boolean
}
export type PublishView = {
  readonly destinations: readonly DestinationLine[]
  /** The one that is looked at. */
  readonly destination: DestinationLine
  readonly address: string | null
  /** The client's own domain, where there is one. */
  readonly domain: DomainView | null
  /** A name for the address on the web host: the last that it had, or one from the client's. */
  readonly proposal: string
  readonly hostSuffix: string
  readonly releases: readonly ReleaseLine[]
  /** What goes live later. */
  readonly scheduled: readonly ScheduledLine[]
  /** An old address whose visitors are not sent on yet. */
  readonly notSentOn: string | null
}

/** What the Publish stage shows of a destination when it opens; of one that is gone, the web host's. */
export function publishView(job: string, asked: string = WEB_HOST): PublishView {
  const destinations = [webHostLine(job), ...destinationsOf(job).map((one) => lineOf(job, one))]
  const destination = destinations.find(({ id }) => id === asked) ?? webHostLine(job)
  const { id } = destination
  const releases = releaseLines(job, id)
  return {
    destinations,
    destination,
    address: whereOf(job, id).address,
    domain: domainView(job),
    proposal: releases.find((one) => !isDomain(one.address))?.address ?? toSegment(findJobLine(job).name, 63),
    hostSuffix: destinationOf().originOf('').replace('http://', ''),
    releases,
    scheduled: scheduledLines(job, id),
    notSentOn: openPublications(job, id).find((p) => p.switchedAt !== null)?.movedFrom ?? null,
  }
}

function webHostLine(job: string): DestinationLine {
  const { address } = getJob(job)
  const origin = address === null ? null : destinationOf().originOf(address)
  return {
    id: WEB_HOST,
    kind: WEB_HOST,
    name: 'Our web host',
    connection: null,
    settings: null,
    origin,
    isSeenAtOnce: true,
    ...liveAt(job, WEB_HOST),
  }
}

function lineOf(job: string, { id, kind, name, origin, settings, seen }: DestinationRow): DestinationLine {
  return {
    id,
    kind: kind as ConnectionKind,
    name,
    connection: connectionLine(kind, settings),
    settings: JSON.parse(settings) as Record<string, unknown>,
    origin,
    isSeenAtOnce: seen === 1,
    ...liveAt(job, id),
  }
}

function liveAt(job: string, destination: string): Pick<DestinationLine, 'liveUrl' | 'number'> {
  const live = livePublication(job, destination)
  return { liveUrl: live && originOf(live), number: live && getRelease(job, live.release).number }
}

function releaseLines(job: string, destination: string): readonly ReleaseLine[] {
  const live = livePublication(job, destination)
  const names = namesOfPeople()
  return publishedReleases(job, destination).map((release) => ({
    id: release.id,
    number: release.number,
    alone: lastAlone(release),
    at: release.lastLiveAt,
    address: release.address,
    live: release.id === live?.release,
    files: Object.keys(release.manifest).length,
    bytes: Object.values(release.manifest).reduce((sum, f) => sum + f.bytes, 0),
    by: release.person && (names.get(release.person) ?? null),
    note: release.note,
  }))
}
