import { Problem, toProblem } from '../problems'
import { db, isReadOnly } from '../store/db'

/** Why nothing can be read or kept now, in a sentence for whoever opens a page; null where all is well. */
export function findTrouble(): string | null {
  try {
    db().prepare('SELECT 1 FROM migration LIMIT 1').get()
    return null
  } catch (error) {
    const problem = toProblem(error)
    if (!(error instanceof Problem)) console.error(error)
    return problem.message
  }
}

/** Why what is kept is shown and cannot be changed, in a sentence; null where it can. */
export function onlyToRead(): string | null {
  return isReadOnly() ? new Problem('onlyToRead', {}).message : null
}
