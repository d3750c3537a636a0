import lighthouse, { type Result } from 'lighthouse'

/** What Lighthouse finds of a page on its simulated phone: parts of 100 by what it looks at, faults, times in ms, all bytes fetched. */
export type FoundByPhone = {
  readonly scores: Readonly<Record<string, number>>
  readonly faults: readonly string[]
  readonly firstMs: number
  readonly largestMs: number
  readonly bytes: number
}

/** Has Lighthouse look at an address in the browser that listens on a port; how fast a page is, only where that is wanted. */
export async function lookByPhone(url: string, port: number, isTimed = true): Promise<FoundByPhone> {
  const quiet = { pauseAfterFcpMs: 0, pauseAfterLoadMs: 0, networkQuietThresholdMs: 100, cpuQuietThresholdMs: 100 }
  const untimed = { onlyCategories: ['accessibility', 'best-practices', 'seo'], onlyAudits: ['total-byte-weight'], ...quiet }
  const flags = { port, output: 'json', logLevel: 'silent', disableFullPageScreenshot: true } as const
  const answer = await lighthouse(url, isTimed ? flags : { ...flags, ...untimed })
  if (!answer) throw new Error(`Lighthouse says nothing of ${url}`)
  return read(answer.lhr)
}

function read({ categories, audits }: Result): FoundByPhone {
  const number = (audit: string): number => Math.round(audits[audit]?.numericValue ?? Number.NaN)
  const faults = Object.values(categories).flatMap(({ id, auditRefs }) =>
    auditRefs.flatMap((ref) => {
      const audit = audits[ref.id]
      const isFault = id !== 'performance' && ref.weight > 0 && audit !== undefined && audit.score !== null && audit.score < 1
      return isFault ? [`${audit.id}: ${audit.title}`] : []
    }),
  )
  return {
    scores: Object.fromEntries(Object.entries(categories).map(([name, { score }]) => [name, Math.round((score ?? 0) * 100)])),
    faults,
    firstMs: number('first-contentful-paint'),
    largestMs: number('largest-contentful-paint'),
    bytes: number('total-byte-weight'),
  }
}
