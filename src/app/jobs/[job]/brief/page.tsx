import type { Metadata } from 'next'
import { BriefStage } from '@/ui/brief/brief-stage'

export const metadata: Metadata = { title: 'Brief' }

export default function BriefPage() {
  return <BriefStage />
}
