import { notFound } from 'next/navigation'
import type { ReactNode } from 'react'
import { jobLineOf, jobLines } from '@/server/job-list'
import { pack } from '@/server/packs'
import { Problem } from '@/server/problems'
import { readJob } from '@/server/read-job'
import { Frame } from '@/ui/frame/frame'
import { JobProvider } from '@/ui/job/job-context'

export const dynamic = 'force-dynamic'

export default async function JobLayout({ children, params }: { children: ReactNode; params: Promise<{ job: string }> }) {
  const { job } = await params
  const open = await readJob(job).catch((error: unknown) => {
    if (error instanceof Problem && error.code === 'jobGone') notFound()
    throw error
  })
  return (
    <JobProvider key={job} job={open} pack={pack()}>
      <Frame jobs={jobLines().map(({ id, name }) => ({ id, name }))} liveUrl={jobLineOf(job).liveUrl}>{children}</Frame>
    </JobProvider>
  )
}
