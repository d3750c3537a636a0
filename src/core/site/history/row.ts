import type { Edit } from '../edits'

/** The format that rows are written in. */
export const ROW_FORMAT = 3

/**
 * One row of a job's log. `gesture` joins the rows of what a person did in one go, such as typing in one place; `who` is
 * the person, null where nobody was noted; `undoes` names the gesture that this one takes back.
 */
export type LogRow = {
  readonly id: string
  readonly gesture: string
  readonly who: string | null
  readonly undoes: string | null
  readonly edit: Edit
  readonly inverse: Edit
}
