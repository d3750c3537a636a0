import { useMemo } from 'react'
import type { Site } from '@/core/fill'
import { dayOf } from '@/core/site'
import { useJob } from './job-context'

/** The whole site for what shows all of it; drawn again at every change. */
export function useSite(): Site {
  const document = useJob((s) => s.document)
  const pack = useJob((s) => s.pack)
  const assets = useJob((s) => s.assets)
  const menuFrom = useJob((s) => s.menuFit?.from)
  const holds = useJob((s) => s.holds)
  const hyphens = useJob((s) => s.hyphens)
  const today = dayOf(new Date())
  return useMemo<Site>(
    () => ({ document, pack, assets, mode: 'sheet', today, menuFrom: menuFrom ?? null, holds, hyphens }),
    [document, pack, assets, today, menuFrom, holds, hyphens],
  )
}
