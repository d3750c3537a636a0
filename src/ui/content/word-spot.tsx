'use client'
import { WordBar } from '../words/word-bar'
import { useWordsAt, type WordHand } from '../words/word-hand'
import { useChip } from './word-settings'

/** The bar of the words that are typed in at a spot: over a sheet, or at the head of the ledger. */
export function WordSpot({ spot }: { readonly spot: WordHand['spot'] }) {
  const chip = useChip()
  const words = useWordsAt(spot)
  return words && <WordBar words={words} chip={chip} />
}
