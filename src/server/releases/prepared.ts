import type { HoldAsk, Site } from '../../core/fill'
import { holdAsksOf, holdKeyOf, menuKeyOf } from '../../core/render'
import { loadHyphenation, type Held } from '../../core/lines'
import type { Manifest } from '../../core/release'
import { dayOf, siteLanguage } from '../../core/site'
import { destinationOf } from '../destinations/registry'
import { kept } from '../files/kept'
import { pack } from '../packs/packs'
import { livePublication } from '../store/publications'
import { getRelease } from '../store/releases'
import { menuFitOf } from '../store/menu-fits'
import { textHoldOf } from '../store/text-holds'
import { jobAssets } from '../store/assets'
import type { JobState } from '../log/edit-log'
import { buildRelease } from './build-release'
import { publishedPaths } from './published-paths'
import type { OnProgress } from './carry-out'

/** A site's files made for an address, of one revision, on a day. */
export type Prepared = {
  readonly revision: number
  readonly address: string
  readonly day: string
  /** The release that visitors see as it is made. */
  readonly before: string | null
  /** What was measured of it in a browser, as JSON. */
  readonly measured: string
  readonly manifest: Manifest
}

/** What has to be the same for files not to be made again. */
const PARTS = ['revision', 'address', 'day', 'before', 'measured'] as const

const last = (): Map<string, Prepared> => kept('prepared', () => new Map())

/** Makes every file of a site as it is at a revision, for an address; the last that was made for a job is not made twice. */
export async function prepareFiles(
  job: string,
  { revision, document }: JobState,
  address: string,
  onProgress: OnProgress,
): Promise<Prepared> {
  const known = last().get(job)
  const today = dayOf(new Date())
  const plain: Site = {
    document,
    pack: pack(),
    assets: await jobAssets(job),
    mode: 'release',
    today,
    hyphens: await loadHyphenation(siteLanguage(document)),
  }
  const menuFrom = menuFitOf(job, menuKeyOf(plain))
  const holds = holdsOf(job, plain)
  const measured = JSON.stringify([menuFrom, ...holds])
  const before = livePublication(job)?.release ?? null
  const made = { revision, address, day: today, before, measured }
  if (known && PARTS.every((part) => known[part] === made[part])) return known
  const site: Site = { ...plain, menuFrom, holds: (ask) => holds.get(JSON.stringify(ask)) ?? null }
  const origin = destinationOf().originOf(address)
  const live = before === null ? {} : getRelease(job, before).manifest
  const manifest = await buildRelease(
    site,
    origin,
    (done, total) => onProgress({ step: 'building', done, total }),
    publishedPaths(job),
    live,
  )
  const prepared = { ...made, manifest }
  last().set(job, prepared)
  return prepared
}

/** How the site's texts are held, by what is asked of them, as far as a browser has told. */
function holdsOf(job: string, site: Site): ReadonlyMap<string, Held> {
  const known = (ask: HoldAsk): (readonly [string, Held])[] => {
    const held = textHoldOf(job, holdKeyOf(site, ask))
    return held ? [[JSON.stringify(ask), held]] : []
  }
  return new Map(holdAsksOf(site).flatMap(known))
}
