import { Problem } from '../http/problems'
import { isDestinationError } from './destination'

const NOT_SWITCHED = 'Nothing was switched: visitors see what they saw before.'

/** A failure at a destination as the sentence that a person reads; `seen` says what visitors see by now. */
export function destinationProblem(error: unknown, address: string, seen: string = NOT_SWITCHED): unknown {
  if (!isDestinationError(error)) return error
  switch (error.fault) {
    case 'down':
      return new Problem('hostDown', { fault: error.message, seen }, { cause: error })
    case 'full':
      return new Problem('hostFull', { seen }, { cause: error })
    case 'taken':
      return new Problem('addressTaken', { name: address }, { cause: error })
    case 'refused':
      return new Problem('hostRefused', { fault: error.message, seen }, { cause: error })
    default:
      return error.fault satisfies never
  }
}

/** The same around some work. */
export async function orProblem<T>(address: string, work: () => Promise<T>): Promise<T> {
  try {
    return await work()
  } catch (error) {
    throw destinationProblem(error, address)
  }
}
