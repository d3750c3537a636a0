import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import type { OpenJob } from '@/core/replies'
import { findProblemCode } from '@/server/problems'
import { mayOnJob } from '@/server/use-cases/may-open'
import { findJobLine } from '@/server/use-cases/list-jobs'
import { openJob } from '@/server/use-cases/open-job'
import { whoIsHere } from '@/app/who-is-here'
import { MissingTemplate } from '@/ui/frame/missing-template'
import { JobProvider } from '@/ui/job/job-context'
import { PageWindow } from '@/ui/sheets/page-window'

export const metadata: Metadata = { title: 'A page by itself' }
export const dynamic = 'force-dynamic'

export default async function WindowPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params
  const { person } = await whoIsHere()
  const open = tryToOpen(job)
  const line = findJobLine(job)
  if (open.missing.includes(open.document.dress.template)) return <MissingTemplate name={line.name} trouble={line.trouble} />
  return (
    <JobProvider key={job} job={open} here={{ person, may: mayOnJob(person, job) ?? 'read' }}>
      <PageWindow />
    </JobProvider>
  )
}

function tryToOpen(job: string): OpenJob {
  try {
    return openJob(job)
  } catch (error) {
    if (findProblemCode(error) === 'jobGone') notFound()
    throw error
  }
}
