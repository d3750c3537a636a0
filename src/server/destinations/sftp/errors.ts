import { DestinationError, isDestinationError } from '../destination'

/** Status codes of the protocol (draft-ietf-secsh-filexfer-02, 7). */
export const END_OF_FILE = 1
export const NO_SUCH_FILE = 2
const PERMISSION_DENIED = 3
const FAILURE = 4

/** The status that the server answered with; null where the line broke. */
export function statusOf(error: unknown): number | null {
  return error instanceof Error && 'code' in error && typeof error.code === 'number' ? error.code : null
}

/** What a refusal means. Many servers say no more than “Failure” of a disk that is full, or of a file in the way. */
export function toSftpError(error: unknown, did: string): unknown {
  if (isDestinationError(error)) return error
  const words = error instanceof Error ? error.message : String(error)
  if (/quota|no space|disk full/i.test(words)) return new DestinationError('full', 'no room left', { cause: error })
  switch (statusOf(error)) {
    case PERMISSION_DENIED:
      return new DestinationError('refused', `${did}: not allowed`, { cause: error })
    case NO_SUCH_FILE:
    case FAILURE:
      return new DestinationError('refused', `${did}: ${words}`, { cause: error })
    default:
      return error
  }
}

/** What went wrong before anything could be asked: the login, the key of the host, the network. */
export function toConnectError(error: unknown): unknown {
  if (isDestinationError(error)) return error
  const words = error instanceof Error ? error.message : String(error)
  if (/authentication methods failed/i.test(words))
    return new DestinationError('refused', 'the user name and the password or key do not fit', { cause: error })
  if (/cannot parse privatekey|passphrase/i.test(words))
    return new DestinationError('refused', 'the key cannot be read, or its passphrase is wrong', { cause: error })
  return error
}
