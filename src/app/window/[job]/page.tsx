import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { findProblemCode } from '@/server/http/problems'
import { mayOnJob } from '@/server/use-cases/may-open'
import { findJobLine } from '@/server/use-cases/list-jobs'
import { openJob } from '@/server/use-cases/open-job'
import { allPacks } from '@/server/use-cases/packs'
import { whoIsHere } from '@/app/who-is-here'
import { UnwornJob } from '@/ui/frame/unworn-job'
import { JobProvider } from '@/ui/job/job-context'
import { PageWindow } from '@/ui/sheets/page-window'

export const metadata: Metadata = { title: 'A page by itself' }
export const dynamic = 'force-dynamic'

export default async function WindowPage({ params }: { params: Promise<{ job: string }> }) {
  const { job } = await params
  const { person } = await whoIsHere()
  const open = await openJob(job).catch((error: unknown) => {
    if (findProblemCode(error) === 'jobGone') notFound()
    throw error
  })
  const line = findJobLine(job)
  if (open.missing.includes(open.document.dress.template)) return <UnwornJob name={line.name} trouble={line.trouble} />
  return (
    <JobProvider key={job} job={open} pack={allPacks()} here={{ person, may: mayOnJob(person, job) ?? 'read' }}>
      <PageWindow />
    </JobProvider>
  )
}
