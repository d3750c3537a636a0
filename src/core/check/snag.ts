import type { Pack } from '../pack'
import type { Place, SiteDocument } from '../site'

/** The stages of a job that a snag can be open in. */
export type SnagStage = 'Brief' | 'Brand' | 'Content' | 'Pages'

/** Something to put right before handing over: which check found it, where it is, and the words that it is about. */
export type Snag<Check extends string = string> = { readonly check: Check; readonly place: Place; readonly words: string }

/** A check: what it looks at and where it counts. It is pure, and of a site that stayed as it was it answers at once. */
export type SnagCheck = {
  /** The stages whose number it is part of; none for one that is not sure, and only asks. */
  readonly stages: readonly SnagStage[]
  /** What is counted, in the stage's own words, after a number. */
  readonly counted: string
  readonly find: (pack: Pack, document: SiteDocument) => readonly Snag[]
  /** How many it finds, where that is known without listing them. */
  readonly count?: (pack: Pack, document: SiteDocument) => number
}
