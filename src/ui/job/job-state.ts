import type { HoldFinder } from '@/core/fill'
import type { AssetTable } from '@/core/image'
import type { Hyphenation, Room } from '@/core/lines'
import type { Pack } from '@/core/pack'
import type { HistoryPage } from '@/core/replies'
import type { LogRow, Place, SectionId, SiteDocument } from '@/core/site'
import type { MenuFit } from '../sheets/measure-menu'
import type { TextProbe } from '../sheets/probe-text'

/** saved: all is in the database; saving: on its way; waiting: the server does not answer, it is tried again. */
export type SaveState = 'saved' | 'saving' | 'waiting'

/** A row that is not in the database yet. Once it was sent it is never changed again. */
export type PendingRow = LogRow & {
  readonly sent: boolean
  /** It does not fit the document as it is now; only the server can say whether it was written before. */
  readonly stuck: boolean
  /** From a tab that was closed before it could send it. */
  readonly adopted: boolean
}

/** A change that could not be kept, with its words, so that nothing that was written is gone. */
export type GivenBack = { readonly id: string; readonly sentence: string; readonly words: readonly string[] }

/** A text whose lines are held or looked at: how its words are set (null where that cannot be told), and its room in every window. */
export type HeldText = { readonly shape: string; readonly probe: TextProbe | null; readonly rooms: readonly Room[] }
export function heldName(section: SectionId, key: string): string {
  return `${section} ${key}`
}

export type JobState = {
  readonly id: string
  readonly pack: Pack
  /** The version of the library that the pack is of. */
  readonly library: string
  readonly who: string
  /** The document as it is in the database, and its revision. */
  readonly saved: SiteDocument
  readonly revision: number
  /** `document` is `saved` with the pending rows applied. */
  readonly pending: readonly PendingRow[]
  readonly document: SiteDocument
  readonly history: HistoryPage
  readonly canUndo: boolean
  readonly canRedo: boolean
  readonly assets: AssetTable
  readonly saveState: SaveState
  /** The place that undo or redo changed last, so that the screen can go there. */
  readonly stepped: { readonly place: Place | null } | null
  /** Something a person is to know, in words; null once it was read. */
  readonly notice: string | null
  readonly givenBack: readonly GivenBack[]
  /** How often visitors were switched since the job was opened here, by whoever it was. */
  readonly publications: number
  /** Where the menu fits, by the name of all that decides it; null until it is measured. */
  readonly menuFit: ({ readonly key: string } & MenuFit) | null
  /** How texts are held to their lines; null until it is known how they are set. */
  readonly holds: HoldFinder | null
  /** How words are divided in the site's language; null until that is fetched, and where it is not known. */
  readonly hyphens: Hyphenation | null
  /** The text whose lines somebody looks at, held or not: it is measured as if it were held. */
  readonly lookedAt: { readonly section: SectionId; readonly key: string } | null
  /** Every text whose lines are held or looked at, as far as its room has been measured. */
  readonly heldTexts: ReadonlyMap<string, HeldText>
}
