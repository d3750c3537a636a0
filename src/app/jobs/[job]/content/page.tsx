import type { Metadata } from 'next'
import { Suspense } from 'react'
import { ContentStage } from '@/ui/content/content-stage'

export const metadata: Metadata = { title: 'Content' }

export default function ContentPage() {
  return (
    <Suspense>
      <ContentStage />
    </Suspense>
  )
}
