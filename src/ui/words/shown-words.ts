import { htmlFromRich } from '@/core/rich'
import type { ChipFact, RichText } from '@/core/site'

/** Words as a cell of the ledger shows them while nobody types there. Everything in them is escaped; their links lead nowhere. */
export function htmlOfWords(rich: RichText, chip: (fact: ChipFact) => string): string {
  return htmlFromRich(
    rich,
    (fact) => chip(fact as ChipFact),
    () => '#',
  )
}
