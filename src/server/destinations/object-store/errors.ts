import { XMLParser } from 'fast-xml-parser'
import * as v from 'valibot'
import { DestinationError } from '../destination'

const errorSchema = v.object({ Error: v.object({ Code: v.string(), Message: v.optional(v.string(), '') }) })

/** What a store said went wrong: the code and the sentence of its answer; null where it is no such answer. */
export function storeFault(body: string): { readonly code: string; readonly words: string } | null {
  const found = v.safeParse(errorSchema, parseXml(body))
  return found.success ? { code: found.output.Error.Code, words: found.output.Error.Message } : null
}

/** Whether a store was asked for an object that it does not have. */
export function isNothingThere(error: unknown): boolean {
  return error instanceof Error && error.cause === 'NoSuchKey'
}

export function parseXml(body: string): unknown {
  try {
    return new XMLParser({ parseTagValue: false }).parse(body) as unknown
  } catch {
    return null
  }
}

/** A refusal in words; the codes are the protocol's. What a store answers while it has too much to do counts as silence. */
export function toStoreError(status: number, body: string, did: string): DestinationError | Error {
  const { code, words } = storeFault(body) ?? { code: String(status), words: '' }
  switch (code) {
    case 'InvalidAccessKeyId':
      return new DestinationError('refused', 'it does not know the ID of the key')
    case 'SignatureDoesNotMatch':
      return new DestinationError('refused', 'the secret key does not fit its ID')
    case 'RequestTimeTooSkewed':
      return new DestinationError('refused', 'its clock and the one of this computer are more than a quarter of an hour apart')
    case 'NoSuchBucket':
      return new DestinationError('refused', 'there is no bucket of this name')
    case 'PermanentRedirect':
    case 'AuthorizationHeaderMalformed':
      return new DestinationError('refused', `the bucket is in another region (${words || code})`)
    case 'QuotaExceeded':
    case 'EntityTooLarge':
    case 'ServiceQuotaExceeded':
      return new DestinationError('full', 'no room left')
  }
  if (status === 507) return new DestinationError('full', 'no room left')
  if (status >= 500 || status === 429) return new Error(`it says ${code}`)
  if (status === 403) return new DestinationError('refused', `${did}: not allowed`)
  return new DestinationError('refused', `${did}: ${words || code}`, { cause: code })
}
