import { Problem, problemParts } from '../http/problems'
import type { Answer } from './read-outside'
import { TASKS, type TaskName } from './tasks'

type Asked = { readonly task: TaskName; readonly name: string; readonly input: never }

/** What a reader does: one task at a time, each answered with its result or its problem. Whatever goes wrong is the file's fault. */
process.on('message', ({ task, name, input }: Asked) => {
  void answer(task, name, input).then((answered) => process.send?.(answered))
})
// Without the application there is nothing to read for.
process.on('disconnect', () => process.exit(0))

async function answer(task: TaskName, name: string, input: never): Promise<Answer> {
  try {
    return { ok: true, result: await TASKS[task](name, input) }
  } catch (error) {
    const problem = error instanceof Problem ? error : new Problem('fileDamaged', { name, fault: 'its contents cannot be read' })
    return { ok: false, problem: problemParts(problem) }
  }
}
