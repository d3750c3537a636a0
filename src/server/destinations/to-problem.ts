import { Problem } from '../problems'
import { isDestinationError, type Destination } from './destination'

const NOT_SWITCHED = 'Nothing was switched: visitors see what they saw before.'

/** A failure at a destination as the sentence that a person reads; `seen` says what visitors see by now. */
export function destinationProblem(error: unknown, to: Destination, address: string, seen: string = NOT_SWITCHED): unknown {
  if (!isDestinationError(error)) return error
  switch (error.fault) {
    case 'down':
      return new Problem('hostDown', { where: to.name, fault: error.message, seen }, { cause: error })
    case 'full':
      return new Problem('hostFull', { where: to.name, seen }, { cause: error })
    case 'taken':
      return to.capabilities.givesAddresses
        ? new Problem('addressTaken', { name: address }, { cause: error })
        : new Problem('hostRefused', { where: to.name, fault: error.message, seen }, { cause: error })
    case 'inTheWay':
      return new Problem('filesInTheWay', { where: to.name, paths: error.message, seen }, { cause: error })
    case 'refused':
      return new Problem('hostRefused', { where: to.name, fault: error.message, seen }, { cause: error })
    default:
      return error.fault satisfies never
  }
}

/** The same around some work. */
export async function orProblem<T>(to: Destination, address: string, work: () => Promise<T>): Promise<T> {
  try {
    return await work()
  } catch (error) {
    throw destinationProblem(error, to, address)
  }
}
