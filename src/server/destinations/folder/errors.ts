import { DestinationError } from '../destination'

/** What the system's refusal means; what is none of its is passed on as it is. */
export function toFolderError(error: unknown): unknown {
  const code = error instanceof Error && 'code' in error ? String(error.code) : null
  switch (code) {
    case 'ENOSPC':
    case 'EDQUOT':
      return new DestinationError('full', 'no room left', { cause: error })
    case 'EACCES':
    case 'EPERM':
    case 'EROFS':
      return new DestinationError('refused', 'the folder may not be written to', { cause: error })
    case 'ENOTDIR':
    case 'EISDIR':
    case 'EEXIST':
    case 'ELOOP':
    case 'ENAMETOOLONG':
      return new DestinationError('refused', `a file or folder stands in the way (${code})`, { cause: error })
    default:
      return error
  }
}
