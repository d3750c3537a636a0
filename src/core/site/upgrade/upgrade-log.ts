import { applyEdit, differences, toEdit } from '../edits'
import type { SiteDocument } from '../document'
import type { LogRow } from '../history'
import { applyEdit1, type Document1, type Edit1 } from './format-1'
import { upgradeDocument } from './upgrade-document'

/** A row as the log held it in format 1. */
export type Row1 = { readonly id: string; readonly edit: Edit1; readonly group: string; readonly mark: 'do' | 'undo' | 'redo' }

/**
 * The rows of a job of format 1 as rows of today, each the difference between the documents before and after it, and the
 * document they lead to. Undo was by position then; here each taking back names what it takes back.
 */
export function upgradeLog(start: Document1, rows: readonly Row1[]): { readonly document: SiteDocument; readonly rows: readonly LogRow[] } {
  let old = start
  let document = upgradeDocument(start)
  const gestures = new Positions()
  const upgraded = rows.map((row): LogRow => {
    old = applyEdit1(old, row.edit)
    const edit = toEdit(differences(document, upgradeDocument(old)))
    const applied = applyEdit(document, edit)
    if (!applied.ok) throw new Error(`Row ${row.id} of format 1 cannot be brought up: ${applied.problem.code}`)
    document = applied.document
    return { id: row.id, ...gestures.next(row), who: null, edit, inverse: applied.inverse }
  })
  return { document, rows: upgraded }
}

/** Which gesture each row of format 1 belongs to, and which it takes back: its undo and redo went by position alone. */
class Positions {
  /** Gestures that undo could take back, oldest first. */
  private readonly done: string[] = []
  /** Takings back that redo could take back, oldest first, each with what it took. */
  private readonly undone: { readonly by: string; readonly of: string }[] = []
  /** What was typed on in a group that had been taken back is a gesture of its own. */
  private readonly names = new Map<string, string>()
  private readonly fallen = new Set<string>()

  next({ id, group, mark }: Row1): Pick<LogRow, 'gesture' | 'undoes'> {
    if (mark === 'do') {
      let name = this.names.get(group) ?? group
      if (this.fallen.has(name)) this.names.set(group, (name = id))
      if (this.done.at(-1) !== name) this.done.push(name)
      this.undone.length = 0
      return { gesture: name, undoes: null }
    }
    if (mark === 'undo') {
      const of = this.done.pop() ?? group
      this.undone.push({ by: `u-${id}`, of })
      this.fallen.add(of)
      return { gesture: `u-${id}`, undoes: of }
    }
    const redone = this.undone.pop()
    this.done.push(redone?.of ?? group)
    this.fallen.delete(redone?.of ?? group)
    return { gesture: `u-${id}`, undoes: redone?.by ?? group }
  }
}
