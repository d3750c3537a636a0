import type { Metadata } from 'next'
import { Suspense } from 'react'
import { liveSite } from '@/server/use-cases/live-site'
import { PagesStage } from '@/ui/pages/pages-stage'
import { TypedEarly } from '@/ui/parts/typed-early'

export const metadata: Metadata = { title: 'Pages' }

export default async function PagesPage({ params }: { params: Promise<{ job: string }> }) {
  return (
    <Suspense>
      <TypedEarly>
        <PagesStage {...liveSite((await params).job)} />
      </TypedEarly>
    </Suspense>
  )
}
