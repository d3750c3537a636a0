import type { ProblemReply } from '../../core/replies'
import { Problem } from './problem'
import type { ProblemCode } from './sentences'

/** What SQLite (“Result and Error Codes”) and the file system say of a disk, a folder or a database that cannot be used. */
const DISK_TROUBLES = [
  [/^SQLITE_(BUSY|LOCKED)/, 'databaseLocked'],
  [/^SQLITE_(CORRUPT|NOTADB)/, 'databaseDamaged'],
  [/^SQLITE_FULL|^ENOSPC$|^EDQUOT$/, 'diskFull'],
  [/^SQLITE_(READONLY|CANTOPEN|PERM)|^(EACCES|EROFS|EPERM)$/, 'folderReadOnly'],
  [/^SQLITE_IOERR|^EIO$/, 'diskFails'],
] as const

/** Any error as the reply a person can read; nothing of the inside leaks out. */
export function toProblem(error: unknown): Problem {
  if (error instanceof Problem) return error
  const code = String((error as { code?: unknown } | null)?.code ?? '')
  const trouble = DISK_TROUBLES.find(([pattern]) => pattern.test(code))?.[1]
  return new Problem(trouble ?? 'unexpected', { file: 'the data folder' }, { cause: error })
}

export function toReply(problem: Problem): ProblemReply {
  const faults = problem.faults.length > 0 ? { faults: problem.faults } : {}
  return { problem: { code: problem.code, sentence: problem.message, ...faults } }
}

/** An error as a problem; one that nobody foresaw is written down for whoever runs the application. */
export function reportProblem(error: unknown): Problem {
  const problem = toProblem(error)
  // Whoever goes away in the middle of what he sends is nobody's fault.
  const isGone = (error as { code?: unknown } | null)?.code === 'ECONNRESET'
  if (problem.code === 'unexpected' && !isGone) console.error(error)
  return problem
}

/** What a refusal is called; null for an error that is none. */
export function findProblemCode(error: unknown): ProblemCode | null {
  return error instanceof Problem ? error.code : null
}
