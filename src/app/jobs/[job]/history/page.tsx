import type { Metadata } from 'next'
import { whatWasDone } from '@/server/use-cases/what-was-done'
import { History } from '@/ui/history/history'

export const metadata: Metadata = { title: 'History' }

export default async function HistoryPage({ params }: { params: Promise<{ job: string }> }) {
  return <History {...whatWasDone((await params).job, Number.MAX_SAFE_INTEGER)} />
}
