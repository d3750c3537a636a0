import { useMemo } from 'react'
import type { Site } from '@/core/fill'
import { useJob } from './job-context'

/** The whole site as a draft, for what shows all of it; drawn again at every change. */
export function useSite(): Site {
  const document = useJob((s) => s.document)
  const pack = useJob((s) => s.pack)
  const assets = useJob((s) => s.assets)
  return useMemo<Site>(() => ({ document, pack, assets, mode: 'draft' }), [document, pack, assets])
}
