import type { Site } from '@/core/fill'
import { dayOf } from '@/core/site'
import type { JobState } from './job-state'

/** What a job's sheets are drawn from, as it is now; with `holds` null, each text as it was designed. */
export function siteOf({ document, pack, assets, menuFit, holds, hyphens }: JobState): Site {
  return { document, pack, assets, mode: 'sheet', today: dayOf(new Date()), menuFrom: menuFit?.from ?? null, holds, hyphens }
}
