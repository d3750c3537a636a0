import type { Edit, EditStep } from './edits'

/** One row of a job's log. `group` joins the rows of one gesture, such as typing in one slot. */
export type LogRow = {
  readonly id: string
  readonly edit: Edit
  readonly inverse: Edit
  readonly group: string
  readonly mark: 'do' | 'undo' | 'redo'
}

export type UndoStep = { readonly group: string; readonly edit: Edit }
export type UndoStacks = { readonly undo: readonly UndoStep[]; readonly redo: readonly UndoStep[] }

export const EMPTY_STACKS: UndoStacks = { undo: [], redo: [] }

/** What can be taken back and what can be done again after one more row. The log alone decides, so it outlives a reload. */
export function pushRow(stacks: UndoStacks, row: LogRow): UndoStacks {
  if (row.mark === 'undo') return { undo: stacks.undo.slice(0, -1), redo: [...stacks.redo, { group: row.group, edit: row.inverse }] }
  if (row.mark === 'redo') return { undo: [...stacks.undo, { group: row.group, edit: row.inverse }], redo: stacks.redo.slice(0, -1) }
  const last = stacks.undo.at(-1)
  const joined: UndoStep = { group: row.group, edit: last?.group === row.group ? joinEdits(row.inverse, last.edit) : row.inverse }
  return { undo: [...(last?.group === row.group ? stacks.undo.slice(0, -1) : stacks.undo), joined], redo: [] }
}

export function toUndoStacks(rows: readonly LogRow[]): UndoStacks {
  return rows.reduce(pushRow, EMPTY_STACKS)
}

/** One edit that does `first`, then `then`; of two sets of the same place only the last is kept. */
export function joinEdits(first: Edit, then: Edit): Edit {
  const last = new Map<string | number, EditStep>()
  for (const [i, step] of [...steps(first), ...steps(then)].entries()) {
    const place = placeOf(step) ?? i
    last.delete(place)
    last.set(place, step)
  }
  const edits = [...last.values()]
  return edits.length === 1 && edits[0] ? edits[0] : { type: 'batch', edits }
}

function steps(edit: Edit): readonly EditStep[] {
  return edit.type === 'batch' ? edit.edits : [edit]
}

/** The place a step sets; two steps with one place overwrite each other. Null for an arrangement: what follows may stand on it. */
export function placeOf(step: EditStep): string | null {
  switch (step.type) {
    case 'slot/set': return `slot ${step.section} ${step.slot}`
    case 'fact/set': return `fact ${step.fact}`
    case 'brand/set': return `brand ${step.part}`
    case 'page/set': return `page ${step.page} ${step.part}`
    case 'section/set': return `section ${step.section} ${step.part}`
    case 'scheme/set': return 'scheme'
    case 'arrange': return null
    default: return step satisfies never
  }
}
