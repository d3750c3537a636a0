import type { HistoryPage } from '../../core/replies'
import { getJob } from '../store/jobs'
import { historyPage } from '../store/log-rows'

const ROWS = 200
const BYTES = 400_000

/** A page of a job's history: the newest rows before a revision. */
export function readHistory(job: string, before: number): HistoryPage {
  return historyPage(getJob(job).id, before - 1, ROWS, BYTES)
}
