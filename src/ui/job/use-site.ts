import { useShallow } from 'zustand/react/shallow'
import type { Site } from '@/core/fill'
import { useJob } from './job-context'
import { siteOf } from './site-of'

/** The whole site for what shows all of it; drawn again at every change. */
export function useSite(): Site {
  return useJob(useShallow(siteOf))
}
