import type { Metadata } from 'next'
import { BrandStage } from '@/ui/brand/brand-stage'

export const metadata: Metadata = { title: 'Brand' }

export default function BrandPage() {
  return <BrandStage />
}
