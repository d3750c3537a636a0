import type { Metadata } from 'next'
import { allPackAssets, allPacks } from '@/server/use-cases/packs'
import { NewJob } from '@/ui/brief/new-job'
import { TypedEarly } from '@/ui/parts/typed-early'

export const dynamic = 'force-dynamic'
export const metadata: Metadata = { title: 'New job' }

export default async function NewJobPage() {
  return (
    <TypedEarly>
      <NewJob pack={allPacks()} assets={allPackAssets()} />
    </TypedEarly>
  )
}
