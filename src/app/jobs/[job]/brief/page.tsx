import type { Metadata } from 'next'
import { BriefStage } from '@/ui/brief/brief-stage'
import { TypedEarly } from '@/ui/parts/typed-early'

export const metadata: Metadata = { title: 'Brief' }

export default function BriefPage() {
  return (
    <TypedEarly>
      <BriefStage />
    </TypedEarly>
  )
}
