import type { Metadata } from 'next'
import { publishView } from '@/server/use-cases/publish-view'
import { TypedEarly } from '@/ui/parts/typed-early'
import { PublishStage } from '@/ui/publish/publish-stage'

export const metadata: Metadata = { title: 'Publish' }

type Props = {
  readonly params: Promise<{ job: string }>
  readonly searchParams: Promise<{ to?: string | string[]; change?: string; compare?: string }>
}

/**
 * `to` names the destination that is looked at; without it, our web host is. `change` asks for its form, `compare` names a release to set
 * against another state.
 */
export default async function PublishPage({ params, searchParams }: Props) {
  const [{ job }, { to, change, compare }] = [await params, await searchParams]
  return (
    <TypedEarly>
      <PublishStage
        {...publishView(job, typeof to === 'string' ? to : undefined)}
        compared={typeof compare === 'string' ? compare : null}
        form={to === 'new' ? 'new' : change === undefined ? null : 'change'}
      />
    </TypedEarly>
  )
}
