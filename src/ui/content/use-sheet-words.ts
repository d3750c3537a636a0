import { useMemo } from 'react'
import type { StoreApi } from 'zustand/vanilla'
import { sectionRows, shownAt } from '@/core/fill'
import { findSection, placeKey, siteLanguage, type Place, type RichText, type SlotPlace, type SlotValue } from '@/core/site'
import type { JobStore } from '../job/job-store'
import { capital } from '../parts/words'
import type { HandEvents } from '../sheets/sheet-group'
import { WordEditor } from '../words/word-editor'
import type { WordHand } from '../words/word-hand'
import { allowedAt, chipOf, nameTarget, sayLeft } from './word-settings'

/** How the words of rich places are typed in on the sheets. */
export function useSheetWords(
  store: JobStore,
  hand: StoreApi<WordHand>,
  type: (place: Place, value: SlotValue) => void,
  gesture: (place: string) => string,
): Pick<HandEvents, 'richAt' | 'openWords' | 'onWords'> {
  return useMemo(() => {
    const richAt = (place: Place): RichText | null => {
      const { pack, document } = store.getState()
      const shown = place.type === 'slot' ? shownAt(pack, document, place) : null
      return shown?.type === 'rich' ? shown.rich : null
    }
    return {
      richAt,
      openWords: (place, element) => {
        const rich = richAt(place)
        if (!rich || place.type !== 'slot') return null
        const { document } = store.getState()
        return new WordEditor({
          element,
          rich,
          allowed: allowedAt(document, place),
          label: labelOf(store, place),
          language: siteLanguage(document),
          chip: (fact) => chipOf(store.getState(), fact),
          onChange: (next) => type(place, { type: 'rich', rich: next }),
          onTarget: (to) => nameTarget(store, to, gesture(placeKey(place))),
          onLeft: sayLeft,
        })
      },
      onWords: (words, sheet) => hand.setState(words ? { words, spot: sheet } : { words: null }),
    }
  }, [store, hand, type, gesture])
}

/** What the ledger calls a place. */
function labelOf(store: JobStore, place: SlotPlace): string {
  const { pack, document } = store.getState()
  const section = findSection(document, place.section)
  const row = section && sectionRows(pack, document, section).find((one) => placeKey(one.place) === placeKey(place))
  return section && row ? `${capital(section.kind)}: ${row.label}` : place.slot
}
