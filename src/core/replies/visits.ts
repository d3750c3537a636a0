import * as v from 'valibot'
import { list } from './shared'

const counted = v.object({ name: v.string(), count: v.number() })
/** How often pages were seen at all addresses of a site, and whether that is counted. */
export const siteVisitsSchema = v.object({
  /** Every day of the span, the oldest first, also those that nobody came on. */
  days: list(v.object({ day: v.string(), seen: v.number(), robots: v.number() })),
  seen: v.number(),
  robots: v.number(),
  /** The most first. */
  pages: list(counted),
  referrers: list(counted),
  isCounted: v.boolean(),
})
export type SiteVisits = Readonly<v.InferOutput<typeof siteVisitsSchema>>
