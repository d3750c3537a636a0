import { createContext, use } from 'react'
import { createStore, type StoreApi } from 'zustand/vanilla'
import { useStore } from 'zustand'
import type { SheetName } from '../sheets/widths'
import type { WordEditor } from './word-editor'

/** The words that somebody types in, and where: on a sheet or in the ledger. */
export type WordHand = { readonly words: WordEditor | null; readonly spot: SheetName | 'ledger' }

export const WordHandContext = createContext<StoreApi<WordHand> | null>(null)

export function makeWordHand(): StoreApi<WordHand> {
  return createStore<WordHand>(() => ({ words: null, spot: 'ledger' }))
}

export function useWordHandStore(): StoreApi<WordHand> {
  const store = use(WordHandContext)
  if (!store) throw new Error('Nobody can type words here')
  return store
}

/** The words that are typed in at a spot, or null. */
export function useWordsAt(spot: WordHand['spot']): WordEditor | null {
  return useStore(useWordHandStore(), (hand) => (hand.spot === spot ? hand.words : null))
}
