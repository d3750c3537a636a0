import type { Metadata } from 'next'
import { ContentStage } from '@/ui/content/content-stage'

export const metadata: Metadata = { title: 'Content' }

export default function ContentPage() {
  return <ContentStage />
}
