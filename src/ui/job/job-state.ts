import type { AssetTable } from '@/core/image'
import type { Pack } from '@/core/pack'
import type { Edit, LogRow, SiteDocument, UndoStacks } from '@/core/site'

export type SavedRow = LogRow & { readonly revision: number }
export type OpenJob = { readonly id: string; readonly revision: number; readonly document: SiteDocument; readonly rows: readonly SavedRow[]; readonly assets: AssetTable }
/** saved: all is in the database; saving: on its way; waiting: the server does not answer, it is tried again. */
export type SaveState = 'saved' | 'saving' | 'waiting'

export type JobState = {
  readonly id: string
  readonly pack: Pack
  /** The document as it is in the database, and its revision. */
  readonly saved: SiteDocument
  readonly revision: number
  /** Rows that are not in the database yet; `document` is `saved` with them applied. */
  readonly pending: readonly LogRow[]
  readonly document: SiteDocument
  readonly savedStacks: UndoStacks
  readonly stacks: UndoStacks
  readonly assets: AssetTable
  readonly saveState: SaveState
  /** The edit that undo or redo made last, so that the screen can go to its place. */
  readonly stepped: Edit | null
  /** Something that could not be kept, in words; null once it was read. */
  readonly trouble: string | null
}
