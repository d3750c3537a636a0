import { sql } from './db'

export type TaskKind = 'publish' | 'domain'
export type Task = { readonly id: string; readonly job: string; readonly kind: TaskKind; readonly input: string }

/** Notes that a task has begun; false where one of this job is running already. */
export function beginTask({ id, job, kind, input }: Task): boolean {
  return (
    sql("INSERT OR IGNORE INTO task (id, job, kind, input, state, begun_at) VALUES (?, ?, ?, ?, 'running', ?)").run(
      id,
      job,
      kind,
      input,
      new Date().toISOString(),
    ).changes === 1
  )
}

export function endTask(id: string, fault: string | null): void {
  sql('UPDATE task SET state = ?, ended_at = ?, fault = ? WHERE id = ?').run(
    fault === null ? 'done' : 'failed',
    new Date().toISOString(),
    fault,
    id,
  )
}

/** Tasks that a start after a crash finds still running. */
export function runningTasks(): Task[] {
  return sql<[], Task>("SELECT id, job, kind, input FROM task WHERE state = 'running' ORDER BY begun_at").all()
}
