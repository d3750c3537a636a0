import * as v from 'valibot'
import { DestinationError } from '../destination'
import { call, read } from './adapter'

const QUIET_MS = 10_000
const countsSchema = v.record(v.string(), v.number())
const visitsSchema = v.object({
  isCounted: v.boolean(),
  days: v.array(v.object({ day: v.string(), pages: countsSchema, referrers: countsSchema, robots: v.number() })),
})
export type HostVisits = v.InferOutput<typeof visitsSchema>

/** What the host has counted of a site, day by day. */
export async function hostVisits(name: string): Promise<HostVisits> {
  return v.parse(visitsSchema, await ask('GET', name))
}

/** Has the host count a site's pages when they are seen, or leave it. */
export async function countVisits(name: string, isCounted: boolean): Promise<void> {
  await ask('PUT', name, { isCounted })
}

async function ask(method: string, name: string, body?: object): Promise<unknown> {
  let response: Response
  try {
    response = await call(method, `/sites/${name}/visits`, { signal: AbortSignal.timeout(QUIET_MS) }, body && JSON.stringify(body))
  } catch (error) {
    throw new DestinationError('down', 'it does not answer', { cause: error })
  }
  return read(response)
}
