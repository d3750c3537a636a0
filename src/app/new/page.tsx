import type { Metadata } from 'next'
import { pack, packAssets } from '@/server/packs'
import { NewJob } from '@/ui/brief/new-job'

export const dynamic = 'force-dynamic'
export const metadata: Metadata = { title: 'New job' }

export default async function NewJobPage() {
  return <NewJob pack={pack()} assets={await packAssets()} />
}
