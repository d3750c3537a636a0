import type { Metadata } from 'next'
import { Suspense } from 'react'
import { ContentStage } from '@/ui/content/content-stage'
import { TypedEarly } from '@/ui/parts/typed-early'

export const metadata: Metadata = { title: 'Content' }

export default function ContentPage() {
  return (
    <Suspense>
      <TypedEarly>
        <ContentStage />
      </TypedEarly>
    </Suspense>
  )
}
