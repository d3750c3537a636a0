import { nanoid } from 'nanoid'
import { kept } from '../files/kept'
import { Problem } from '../problems'
import { beginTask, endTask, runningTasks, type TaskKind } from '../store/tasks'

/** What stops the work that goes on for a job. */
const stops = (): Map<string, AbortController> => kept('task-stops', () => new Map())

/** Long work for a job, one at a time: what is begun is noted, so that a start after a crash knows of it. It is told when to stop. */
export async function runTask<T>(job: string, kind: TaskKind, input: unknown, work: (stopped: AbortSignal) => Promise<T>): Promise<T> {
  const id = nanoid(12)
  if (!beginTask({ id, job, kind, input: JSON.stringify(input) })) throw new Problem('publishingAlready')
  const stop = new AbortController()
  stops().set(job, stop)
  try {
    const result = await work(stop.signal)
    endTask(id, null)
    return result
  } catch (error) {
    endTask(id, error instanceof Error ? error.message : String(error))
    throw error
  } finally {
    stops().delete(job)
  }
}

/** Asks the work that goes on for a job to stop, where it still can; where none goes on nothing happens. */
export function stopTask(job: string): void {
  stops().get(job)?.abort()
}

/** Frees the jobs whose work a crash cut off; what it left half done is finished from its own notes. */
export function endCutOffTasks(): void {
  for (const { id } of runningTasks()) endTask(id, 'The application stopped while this went on.')
}
