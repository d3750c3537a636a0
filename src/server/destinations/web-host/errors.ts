import * as v from 'valibot'
import { DestinationError } from '../destination'

const errorSchema = v.object({ error: v.string() })

/** What the host's refusal means. */
export function toDestinationError(status: number, body: unknown): DestinationError {
  if (status === 507) return new DestinationError('full', 'no room left')
  const words = v.is(errorSchema, body) ? body.error : `status ${status}`
  return new DestinationError(status === 409 && words === 'taken' ? 'taken' : 'refused', words)
}
