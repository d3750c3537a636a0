import type { Metadata } from 'next'
import { BrandStage } from '@/ui/brand/brand-stage'
import { TypedEarly } from '@/ui/parts/typed-early'

export const metadata: Metadata = { title: 'Brand' }

export default function BrandPage() {
  return (
    <TypedEarly>
      <BrandStage />
    </TypedEarly>
  )
}
