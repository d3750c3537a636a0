import { useMemo, useRef } from 'react'
import { useShallow } from 'zustand/react/shallow'
import { groupByKind, isEverything, isWanted, listTab, type ListedGroup, type Tab, type Wanted } from '@/core/ledger'
import { useJob } from '../job/job-context'
import { useChanged, type Changed } from './use-changed'

export type Grouped = 'section' | 'kind'

/** What was found since a filter was set, by what was asked for, and what was in hand then. */
type Kept = { readonly of: string; readonly keys: Set<string>; readonly before: string | null }

/**
 * What the ledger shows of a tab. What was found once stays while the same is looked for, also when it is put right meanwhile: a row does
 * not go from under the hands that fill it. What is taken in hand since is among them.
 */
export function useListing(
  tab: Tab,
  wanted: Wanted,
  grouped: Grouped,
  inHand: string | null,
  isLong: (key: string) => boolean,
): { readonly all: readonly ListedGroup[]; readonly groups: readonly ListedGroup[]; readonly changed: Changed } {
  const all = useJob(useShallow((s) => listTab(s.pack, s.document, tab)))
  const pack = useJob((s) => s.pack)
  const document = useJob((s) => (isEverything(wanted) ? null : s.document))
  const changed = useChanged(wanted.show === 'changed')
  const kept = useRef<Kept>({ of: '', keys: new Set(), before: null })
  const of = JSON.stringify([tab, wanted])
  const found = useMemo(() => {
    if (kept.current.of !== of) kept.current = { of, keys: new Set(), before: inHand }
    const { keys, before } = kept.current
    if (!document) return all
    return all.flatMap((group) => {
      const listed = group.listed.filter((one) => {
        const isFound = isWanted(wanted, group, one, { pack, document, isLong, changed: changed === 'none' ? null : changed })
        if (isFound) keys.add(one.key)
        return isFound || keys.has(one.key) || (one.key === inHand && inHand !== before)
      })
      return listed.length > 0 ? [{ ...group, listed }] : []
    })
  }, [all, pack, document, wanted, isLong, changed, inHand, of])
  const groups = useMemo(() => (grouped === 'kind' ? groupByKind(found) : found), [found, grouped])
  return { all, groups, changed }
}
