import type { Metadata } from 'next'
import { allPackAssets, allPacks } from '@/server/use-cases/packs'
import { NewJob } from '@/ui/brief/new-job'

export const dynamic = 'force-dynamic'
export const metadata: Metadata = { title: 'New job' }

export default async function NewJobPage() {
  return <NewJob pack={allPacks()} assets={await allPackAssets()} />
}
