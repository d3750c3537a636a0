import { nanoid } from 'nanoid'
import PQueue from 'p-queue'
import { planPublish, type Manifest, type PublishPlan } from '../../core/release'
import { activateRelease, announceRelease, claimSite, moveSite, sendContent } from '../destinations/web-host/adapter'
import { siteOrigin } from '../destinations/web-host/settings'
import { jobState } from '../edit-log'
import { getJob, setJobAddress } from '../jobs'
import { jobAssets } from '../media/assets'
import { pack } from '../packs'
import { Problem } from '../problems'
import { readBlob } from './blobs'
import { buildRelease } from './build-release'
import { getRelease, insertRelease, liveRelease, noteLive } from './releases'

/** What a person is told while waiting. */
export type PublishProgress = { readonly step: 'building' | 'sending' | 'switching'; readonly done: number; readonly total: number }
export type Prepared = { readonly release: string; readonly plan: PublishPlan; readonly address: string; readonly origin: string }
type OnProgress = (progress: PublishProgress) => void

/** Builds the site as it stands now and says what publishing it would change; nothing is sent yet. */
export async function prepareRelease(jobId: string, onProgress: OnProgress): Promise<Prepared> {
  const { address } = getJob(jobId)
  if (address === null) throw new Problem('addressNone')
  const { revision, document } = jobState(jobId)
  const origin = siteOrigin(address)
  const site = { document, pack: pack(), assets: await jobAssets(jobId), mode: 'release' } as const
  const manifest = await buildRelease(site, origin, (done, total) => onProgress({ step: 'building', done, total }))
  const release = nanoid(12)
  insertRelease(jobId, { id: release, revision, address, manifest })
  return { release, plan: planPublish(liveManifest(jobId, address), manifest), address, origin }
}

function liveManifest(jobId: string, address: string): Manifest {
  const live = liveRelease(jobId)
  return live?.address === address ? live.manifest : {}
}

/**
 * Publishes a release, new or earlier: sends the content the host lacks, then switches. Until the switch, which is one
 * step at the host, visitors see what they saw before, whatever fails.
 */
export async function publishRelease(jobId: string, releaseId: string, onProgress: OnProgress): Promise<{ readonly origin: string; readonly sentFiles: number; readonly sentBytes: number }> {
  const release = getRelease(jobId, releaseId)
  const before = liveRelease(jobId)
  await claimSite(release.address, jobId)
  const missing = await announceRelease(release.address, release.id, release.manifest)
  const sentBytes = await sendAll(missing, onProgress)
  onProgress({ step: 'switching', done: 0, total: 1 })
  await activateRelease(release.address, release.id)
  noteLive(jobId, release.id)
  setJobAddress(jobId, release.address)
  if (before && before.address !== release.address) await moveSite(before.address, release.address)
  return { origin: siteOrigin(release.address), sentFiles: missing.length, sentBytes }
}

async function sendAll(hashes: readonly string[], onProgress: OnProgress): Promise<number> {
  const queue = new PQueue({ concurrency: 4 })
  let done = 0
  let bytes = 0
  onProgress({ step: 'sending', done, total: hashes.length })
  await Promise.all(hashes.map((hash) => queue.add(async () => {
    const content = readBlob(hash)
    await sendContent(hash, content)
    bytes += content.length
    onProgress({ step: 'sending', done: ++done, total: hashes.length })
  })))
  return bytes
}
