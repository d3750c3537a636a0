import { destinationOf, WEB_HOST } from '../destinations/registry'
import type { Destination } from '../destinations/destination'
import { Problem } from '../problems'
import { findDestination } from '../store/destinations'
import { getJob } from '../store/jobs'

/** A destination of a job, with the address that its site has there; null where none was chosen yet. */
export type Where = { readonly id: string; readonly to: Destination; readonly address: string | null }
export type Addressed = Where & { readonly address: string }

/** One of a job's destinations: those of other jobs are none. */
export function whereOf(job: string, id: string): Where {
  const { address } = getJob(job)
  if (id === WEB_HOST) return { id, to: destinationOf(), address }
  const own = findDestination(id)
  if (own?.job !== job) throw new Problem('destinationGone')
  return { id, to: destinationOf(id), address: own.origin }
}

/** The same, for what needs an address. */
export function addressedAt(job: string, id: string): Addressed {
  const { address, ...where } = whereOf(job, id)
  if (address === null) throw new Problem('addressNone')
  return { ...where, address }
}

/** Where visitors find a publication. A site on a server of the client's has its whole origin for an address. */
export function originOf({ destination, address }: { readonly destination: string; readonly address: string }): string {
  return destination === WEB_HOST ? destinationOf().originOf(address) : address
}
