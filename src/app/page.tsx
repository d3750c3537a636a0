import type { Metadata } from 'next'
import { listJobLines } from '@/server/use-cases/list-jobs'
import { JobList } from '@/ui/jobs/job-list'

export const dynamic = 'force-dynamic'
export const metadata: Metadata = { title: 'Jobs' }

export default function JobsPage() {
  return <JobList jobs={listJobLines()} />
}
