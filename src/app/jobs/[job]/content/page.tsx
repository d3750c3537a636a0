import type { Metadata } from 'next'
import { ContentStage } from '@/ui/content/content-stage'
import { TypedEarly } from '@/ui/parts/typed-early'

export const metadata: Metadata = { title: 'Content' }

export default function ContentPage() {
  return (
    <TypedEarly>
      <ContentStage />
    </TypedEarly>
  )
}
