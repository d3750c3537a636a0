import { Problem } from '../../problems'
import { isDestinationError } from '../../destinations/destination'

/** What went wrong between an authority and us, for the person who waits for a certificate. */
export function certificateProblem(error: unknown, name: string): Problem {
  if (error instanceof Problem) return error
  if (isDestinationError(error))
    return new Problem('hostDown', { where: 'The web host', fault: error.message, seen: 'Nothing was changed.' }, { cause: error })
  if (isUnreachable(error)) return new Problem('authorityDown', {}, { cause: error })
  const said = error instanceof Error ? error.message : String(error)
  return new Problem('certificateRefused', { name, fault: /[.!?]$/.test(said) ? said : `${said}.` }, { cause: error })
}

/** How Node tells of a line that could not be had, or broke. */
const LINE_FAULTS = /^(ECONN|EHOST|ENET|ENOTFOUND|EAI_|ETIMEDOUT|EPIPE|CERT_|ERR_TLS|DEPTH_ZERO|SELF_SIGNED|UNABLE_TO)/

/** No answer came at all. The client tells of that by stumbling over the answer that is not there. */
export function isUnreachable(error: unknown): boolean {
  return error instanceof TypeError || (error instanceof Error && 'code' in error && LINE_FAULTS.test(String(error.code)))
}
