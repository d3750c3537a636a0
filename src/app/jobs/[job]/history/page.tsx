import type { Metadata } from 'next'
import { activityOf } from '@/server/use-cases/activity'
import { History } from '@/ui/history/history'

export const metadata: Metadata = { title: 'History' }

export default async function HistoryPage({ params }: { params: Promise<{ job: string }> }) {
  return <History {...activityOf((await params).job, Number.MAX_SAFE_INTEGER)} />
}
