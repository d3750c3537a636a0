import type { HoldAsk, Site } from '../../core/fill'
import { rootOf } from '../../core/pages'
import { holdAsksOf, holdKeyOf, menuKeyOf } from '../../core/render'
import { loadHyphenation, type Held } from '../../core/lines'
import { dayOf, isSame, siteLanguage } from '../../core/site'
import { kept } from '../files/kept'
import { withNoticeKey } from '../notices/notices'
import { pack } from '../packs/packs'
import { livePublication } from '../store/publications'
import { getRelease } from '../store/releases'
import { menuFitOf } from '../store/menu-fits'
import { textHoldOf } from '../store/text-holds'
import { jobAssets } from '../store/assets'
import { buildRelease, type Built } from './build-release'
import { withSiteMap } from './site-map'
import { publishedPaths } from './published-paths'
import type { OnProgress } from './carry-out'
import type { Released } from './released'
import { originOf, type Addressed } from './where'

/** A site's files made for an address, of one state, on a day. */
export type Prepared = Built & {
  readonly revision: number
  readonly alone: Released['alone']
  readonly address: string
  readonly day: string
  /** What was measured of it in a browser, as JSON. */
  readonly measured: string
}

const last = (): Map<string, Prepared> => kept('prepared', () => new Map())

/**
 * Makes every file of a site in one of its states, for its address on a destination. Its map says what changed since what is live there,
 * which a publication changes though the site stays as it is.
 */
export async function prepareFiles(job: string, state: Released, where: Addressed, onProgress: OnProgress): Promise<Prepared> {
  const made = await makeFiles(job, state, where, onProgress)
  const live = livePublication(job, where.id)
  const there = live && { manifest: getRelease(job, live.release).manifest, origin: originOf(live) }
  const files = withSiteMap(made, state.document, where.to.originOf(where.address), made.day, there)
  return { ...made, manifest: withNoticeKey(job, files) }
}

/** The files but the map; the last that were made for a job are not made twice. */
async function makeFiles(
  job: string,
  { revision, alone, document }: Released,
  { to, address }: Addressed,
  onProgress: OnProgress,
): Promise<Prepared> {
  const known = last().get(job)
  const day = dayOf(new Date())
  const plain: Site = {
    document,
    pack: pack(),
    assets: jobAssets(job),
    mode: 'release',
    root: rootOf(to.originOf(address)),
    today: day,
    hyphens: await loadHyphenation(siteLanguage(document)),
  }
  const menuFrom = menuFitOf(job, menuKeyOf(plain))
  const holds = holdsOf(job, plain)
  const measured = JSON.stringify([menuFrom, ...holds])
  const isState = known?.revision === revision && isSame(known.alone, alone)
  if (isState && known.address === address && known.day === day && known.measured === measured) return known
  const site: Site = { ...plain, menuFrom, holds: (ask) => holds.get(JSON.stringify(ask)) ?? null }
  const origin = to.originOf(address)
  const built = await buildRelease(site, origin, (done, total) => onProgress({ step: 'building', done, total }), publishedPaths(job))
  const made = { ...built, revision, alone, address, day, measured }
  last().set(job, made)
  return made
}

/** How the site's texts are held, by what is asked of them, as far as a browser has told. */
function holdsOf(job: string, site: Site): ReadonlyMap<string, Held> {
  const known = (ask: HoldAsk): (readonly [string, Held])[] => {
    const held = textHoldOf(job, holdKeyOf(site, ask))
    return held ? [[JSON.stringify(ask), held]] : []
  }
  return new Map(holdAsksOf(site).flatMap(known))
}
