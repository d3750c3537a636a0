import { nanoid } from 'nanoid'
import { Problem } from '../http/problems'
import { beginTask, endTask, runningTasks, type TaskKind } from '../store/tasks'

/** Long work for a job, one at a time: what is begun is noted, so that a start after a crash knows of it. */
export async function runTask<T>(job: string, kind: TaskKind, input: unknown, work: () => Promise<T>): Promise<T> {
  const id = nanoid(12)
  if (!beginTask({ id, job, kind, input: JSON.stringify(input) })) throw new Problem('publishingAlready')
  try {
    const result = await work()
    endTask(id, null)
    return result
  } catch (error) {
    endTask(id, error instanceof Error ? error.message : String(error))
    throw error
  }
}

/** Frees the jobs whose work a crash cut off; what it left half done is finished from its own notes. */
export function endCutOffTasks(): void {
  for (const { id } of runningTasks()) endTask(id, 'The application stopped while this went on.')
}
