import type { Metadata } from 'next'
import { liveSite } from '@/server/use-cases/live-site'
import { PagesStage } from '@/ui/pages/pages-stage'
import { TypedEarly } from '@/ui/parts/typed-early'

export const metadata: Metadata = { title: 'Pages' }

export default async function PagesPage({ params }: { params: Promise<{ job: string }> }) {
  return (
    <TypedEarly>
      <PagesStage {...liveSite((await params).job)} />
    </TypedEarly>
  )
}
