import type { Metadata } from 'next'
import { listJobLines } from '@/server/use-cases/list-jobs'
import { BIN_DAYS } from '@/server/use-cases/job-status'
import { whoIsHere } from '@/app/who-is-here'
import { JobList } from '@/ui/jobs/job-list'
import { TypedEarly } from '@/ui/parts/typed-early'

export const dynamic = 'force-dynamic'
export const metadata: Metadata = { title: 'Jobs' }

export default async function JobsPage() {
  const { person } = await whoIsHere()
  return (
    <TypedEarly>
      <JobList jobs={listJobLines(person)} me={person} binDays={BIN_DAYS} now={new Date().toISOString()} />
    </TypedEarly>
  )
}
