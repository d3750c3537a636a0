import { nanoid } from 'nanoid'
import { withNotFound } from '../../core/fill'
import { findTemplate } from '../../core/pack'
import { appendRows, jobState } from '../log/edit-log'
import { pack } from '../packs/packs'
import { listJobs } from '../store/jobs'
import { ITSELF } from '../store/log-rows'

/**
 * Gives each job from an earlier day what has become a part of every site since. It is an edit like any other, nobody's to undo; a job
 * that cannot be read is passed over, and one whose template is missing is completed by the next that it puts on.
 */
export async function completeJobs(): Promise<void> {
  for (const { id } of listJobs()) {
    // Whoever asks meanwhile is answered: there may be hundreds.
    await new Promise((resolve) => setImmediate(resolve))
    try {
      const { revision, document } = jobState(id)
      const template = findTemplate(pack(), document.dress.template)
      const edit = template && withNotFound(template, document)
      if (edit) appendRows(id, ITSELF, revision, [{ id: nanoid(), gesture: nanoid(10), undoes: null, edit }])
    } catch (error) {
      console.error(`The job ${id} could not be completed`, error)
    }
  }
}
