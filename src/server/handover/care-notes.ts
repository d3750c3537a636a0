import { wantedRecords, domainOf } from '../../core/domain'
import type { CareNotes } from '../../core/handover'
import type { Person } from '../../core/people'
import { siteFamilies } from '../../core/render'
import type { Site } from '../../core/fill'
import { connectionLine } from '../destinations/connection-line'
import { WEB_HOST } from '../destinations/registry'
import { webHostSettings } from '../destinations/web-host/settings'
import { hostPlace } from '../domains/look-up'
import { originOf } from '../releases/where'
import { destinationsOf } from '../store/destinations'
import { findDomain } from '../store/domains'
import { firstSwitchOf, livePublication, type Publication } from '../store/publications'

/** What a care sheet tells of where a site is, who made it and what was set; nothing that lets anybody in. */
export async function careNotes(job: string, site: Site, by: Person, live: Publication | null, madeAt: Date): Promise<CareNotes> {
  return {
    madeAt: madeAt.toISOString(),
    live: live && { url: originOf(live), since: firstSwitchOf(job) ?? madeAt.toISOString() },
    places: placesOf(job),
    domain: await domainNotes(job),
    by,
    fonts: siteFamilies(site).all.map(({ name }) => name),
    licences: live && 'site/fonts/licences.txt',
  }
}

/** Each destination that something is live at. */
function placesOf(job: string): CareNotes['places'] {
  const urlAt = (destination: string): string | null => {
    const live = livePublication(job, destination)
    return live && originOf(live)
  }
  const host = { name: null, connection: webHostSettings().name, url: urlAt(WEB_HOST) }
  const others = destinationsOf(job).map(({ id, name, kind, settings }) => ({
    name,
    connection: connectionLine(kind, settings),
    url: urlAt(id),
  }))
  return [host, ...others].filter(({ url }) => url !== null)
}

async function domainNotes(job: string): Promise<CareNotes['domain']> {
  const kept = findDomain(job)
  if (!kept) return null
  const domain = domainOf(kept.name)
  const host = await hostPlace(webHostSettings().name)
  return { shown: domain.shown, certificateUntil: kept.notAfter, records: wantedRecords(domain, host, kept.proof) }
}
