import { Problem, problemParts } from '../problems'
import type { Asked, Told } from './read-outside'
import { TASKS, type TaskName } from './tasks'

/** What a reader does: one task at a time, each answered with its result or its problem. Whatever goes wrong is the file's fault. */
process.on('message', ({ task, name, input }: Asked<TaskName>) => {
  void answer(task, name, input).then(tell)
})
// Without the application there is nothing to read for.
process.on('disconnect', () => process.exit(0))
// What is asked for most is there before anybody asks.
void TASKS.picture()

function tell(told: Told): void {
  process.send?.(told)
}

async function answer(task: TaskName, name: string, input: unknown): Promise<Told> {
  try {
    const work = (await TASKS[task]()) as (name: string, input: unknown) => unknown
    tell({ type: 'started' })
    return { type: 'done', result: await work(name, input) }
  } catch (error) {
    const problem = error instanceof Problem ? error : new Problem('fileDamaged', { name, fault: 'its contents cannot be read' })
    return { type: 'refused', problem: problemParts(problem) }
  }
}
