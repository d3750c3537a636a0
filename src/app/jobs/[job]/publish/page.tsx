import slugify from '@sindresorhus/slugify'
import type { Metadata } from 'next'
import { siteOrigin } from '@/server/destinations/web-host/settings'
import { jobLineOf } from '@/server/job-list'
import { getJob } from '@/server/jobs'
import { publishedReleases } from '@/server/releases/releases'
import { PublishStage } from '@/ui/publish/publish-stage'

export const metadata: Metadata = { title: 'Publish' }

export default async function PublishPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params
  const { name, liveUrl } = jobLineOf(job)
  const releases = publishedReleases(job).map((release, i) => ({
    id: release.id, number: release.number, at: release.lastLiveAt ?? release.builtAt, address: release.address, live: i === 0,
    files: Object.keys(release.manifest).length, bytes: Object.values(release.manifest).reduce((sum, f) => sum + f.bytes, 0),
  }))
  return <PublishStage address={getJob(job).address} proposal={slugify(name).slice(0, 63)} hostSuffix={siteOrigin('').replace('http://', '')} liveUrl={liveUrl} releases={releases} />
}
