import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { draftSite } from '@/server/draft'
import { Problem } from '@/server/problems'
import { BrandSheet } from '@/ui/brand/brand-sheet'

export const metadata: Metadata = { title: 'Brand sheet' }
export const dynamic = 'force-dynamic'

export default async function BrandSheetPage({ params }: { params: Promise<{ job: string }> }) {
  const site = await draftSite((await params).job).catch((error: unknown) => {
    if (error instanceof Problem && error.code === 'jobGone') notFound()
    throw error
  })
  return <BrandSheet site={site} />
}
