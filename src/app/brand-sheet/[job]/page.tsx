import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { siteForSheets } from '@/server/use-cases/home-sheet'
import { findProblemCode } from '@/server/problems'
import { BrandSheet } from '@/ui/brand/brand-sheet'

export const metadata: Metadata = { title: 'Brand sheet' }
export const dynamic = 'force-dynamic'

export default async function BrandSheetPage({ params }: { params: Promise<{ job: string }> }) {
  const site = await siteForSheets((await params).job).catch((error: unknown) => {
    if (findProblemCode(error) === 'jobGone') notFound()
    throw error
  })
  return <BrandSheet site={site} />
}
