import type { Metadata } from 'next'
import { publishView } from '@/server/use-cases/publish-view'
import { TypedEarly } from '@/ui/parts/typed-early'
import { PublishStage } from '@/ui/publish/publish-stage'

export const metadata: Metadata = { title: 'Publish' }

type Props = { readonly params: Promise<{ job: string }>; readonly searchParams: Promise<{ to?: string | string[] }> }

/** `to` names the destination that is looked at; without it, our web host is. */
export default async function PublishPage({ params, searchParams }: Props) {
  const [{ job }, { to }] = [await params, await searchParams]
  return (
    <TypedEarly>
      <PublishStage {...publishView(job, typeof to === 'string' ? to : undefined)} isNew={to === 'new'} />
    </TypedEarly>
  )
}
