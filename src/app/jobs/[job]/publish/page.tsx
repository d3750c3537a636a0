import type { Metadata } from 'next'
import { publishView } from '@/server/use-cases/publish-view'
import { TypedEarly } from '@/ui/parts/typed-early'
import { PublishStage } from '@/ui/publish/publish-stage'

export const metadata: Metadata = { title: 'Publish' }

export default async function PublishPage({ params }: { params: Promise<{ job: string }> }) {
  return (
    <TypedEarly>
      <PublishStage {...publishView((await params).job)} />
    </TypedEarly>
  )
}
