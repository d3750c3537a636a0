import { menuKeyOf } from '../../core/render'
import type { Manifest } from '../../core/release'
import { dayOf } from '../../core/site'
import { destinationOf } from '../destinations/registry'
import { kept } from '../files/kept'
import { pack } from '../packs/packs'
import { menuFitOf } from '../store/menu-fits'
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
  readonly menuFrom: number | null
  readonly manifest: Manifest
}

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
  const plain = { document, pack: pack(), assets: await jobAssets(job), mode: 'release', today } as const
  const menuFrom = menuFitOf(job, menuKeyOf(plain))
  const isKnown = known?.revision === revision && known.address === address && known.day === today && known.menuFrom === menuFrom
  if (isKnown) return known
  const site = { ...plain, menuFrom }
  const origin = destinationOf().originOf(address)
  const manifest = await buildRelease(site, origin, (done, total) => onProgress({ step: 'building', done, total }), publishedPaths(job))
  const prepared = { revision, address, day: today, menuFrom, manifest }
  last().set(job, prepared)
  return prepared
}
