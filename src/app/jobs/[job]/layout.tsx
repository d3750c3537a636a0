import { notFound } from 'next/navigation'
import type { ReactNode } from 'react'
import type { OpenJob } from '@/core/replies'
import { findProblemCode } from '@/server/problems'
import { mayOnJob } from '@/server/use-cases/may-open'
import { listJobLines } from '@/server/use-cases/list-jobs'
import { openJob } from '@/server/use-cases/open-job'
import { whoIsHere } from '@/app/who-is-here'
import { BinnedJob } from '@/ui/frame/binned-job'
import { Frame } from '@/ui/frame/frame'
import { MissingTemplate } from '@/ui/frame/missing-template'
import { JobProvider } from '@/ui/job/job-context'

export const dynamic = 'force-dynamic'

export default async function JobLayout({ children, params }: { children: ReactNode; params: Promise<{ job: string }> }) {
  const { job } = await params
  const { person } = await whoIsHere()
  const lines = listJobLines(person)
  const line = lines.find(({ id }) => id === job)
  if (!line) notFound()
  if (line.shelf === 'bin') return <BinnedJob id={job} name={line.name} />
  const open = tryToOpen(job)
  if (!open || open.missing.includes(open.document.dress.template)) return <MissingTemplate name={line.name} trouble={line.trouble} />
  return (
    <JobProvider key={job} job={open} here={{ person, may: mayOnJob(person, job) ?? 'read' }}>
      <Frame
        jobs={lines.filter(({ shelf }) => shelf === 'work').map(({ id, name }) => ({ id, name }))}
        liveUrl={line.liveUrl}
        live={line.liveUrl && `${line.liveUrl} ${line.releaseNumber}`}
      >
        {children}
      </Frame>
    </JobProvider>
  )
}

/** The job, or nothing where what is kept of it cannot be read. */
function tryToOpen(job: string): OpenJob | null {
  try {
    return openJob(job)
  } catch (error) {
    if (findProblemCode(error) === 'jobGone') notFound()
    console.error(error)
    return null
  }
}
