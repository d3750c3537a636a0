import { DestinationError, isDestinationError } from '../destination'

/** Replies of a server (RFC 959, 4.2.2). */
export const NOT_THERE = 550
const NOT_LOGGED_IN = 530
const NO_ROOM = [452, 552]
/** The line is closed, or the second connection, which carries the files, could not be opened or broke. */
const BROKEN = [421, 425, 426]
const NO_SECOND = 'the second connection, which FTP opens for each file, was not let through'

/** The reply that a server answered with; null where the line broke. */
export function replyOf(error: unknown): number | null {
  const { cause } = error instanceof Error ? error : {}
  if (isDestinationError(error) && cause !== undefined) return replyOf(cause)
  return error instanceof Error && 'code' in error && typeof error.code === 'number' ? error.code : null
}

/** What a refusal means; what is none is passed on as it is. */
export function toFtpError(error: unknown, did: string): unknown {
  if (isDestinationError(error)) return error
  const words = error instanceof Error ? error.message : String(error)
  if (/data connection|data socket|transfer strategies/i.test(words)) return new DestinationError('down', NO_SECOND, { cause: error })
  const reply = replyOf(error)
  if (reply === null) return error
  if (BROKEN.includes(reply)) return new DestinationError('down', `it says “${words}”`, { cause: error })
  if (NO_ROOM.includes(reply) || /quota|no space|disk full/i.test(words))
    return new DestinationError('full', 'no room left', { cause: error })
  if (reply === NOT_LOGGED_IN)
    return new DestinationError('refused', `the user name and the password do not fit (${words})`, { cause: error })
  return new DestinationError('refused', `${did}: ${words}`, { cause: error })
}

/** What went wrong in words, also where the TLS library has only a code for it. */
export function wordsOf(error: unknown): string {
  if (error instanceof Error && 'code' in error && error.code === 'ERR_SSL_WRONG_VERSION_NUMBER') return 'the server answered unencrypted'
  return error instanceof Error ? error.message : String(error)
}

/** Why a certificate is not trusted, by the code that the TLS library gives; null where it is something else that went wrong. */
export function certificateFault(error: unknown): string | null {
  const code = typeof error === 'string' ? error : error instanceof Error && 'code' in error ? String(error.code) : ''
  switch (code) {
    case 'DEPTH_ZERO_SELF_SIGNED_CERT':
    case 'SELF_SIGNED_CERT_IN_CHAIN':
      return 'the server has signed it itself'
    case 'CERT_HAS_EXPIRED':
      return 'it has run out'
    case 'CERT_NOT_YET_VALID':
      return 'it is not valid yet'
    case 'ERR_TLS_CERT_ALTNAME_INVALID':
      return 'it is of another name'
    case 'UNABLE_TO_GET_ISSUER_CERT':
    case 'UNABLE_TO_GET_ISSUER_CERT_LOCALLY':
    case 'UNABLE_TO_VERIFY_LEAF_SIGNATURE':
    case 'CERT_UNTRUSTED':
      return 'nobody known vouches for it'
    default:
      return null
  }
}
