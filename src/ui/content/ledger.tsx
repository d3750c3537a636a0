'use client'
import { memo, useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react'
import { toast } from 'sonner'
import type { PasteFill } from '@/core/fill'
import { isEverything, type Listed, type ListedGroup, type Tab, type Wanted } from '@/core/ledger'
import { findSection, placeKey, reachOfWords, type Place, type SectionId, type SiteDocument } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { useGesture } from '../job/use-gesture'
import { Boundary } from '../parts/boundary'
import { Button } from '../parts/button'
import type { LineFit } from '../sheets/widths'
import { EntryDrag } from './entry-drag'
import { GroupFrame } from './group-frame'
import { LedgerHead } from './ledger-head'
import { ListedRow } from './listed-row'
import { NearRows } from './near-rows'
import { PasteFillPanel } from './paste-fill-panel'
import { useRange, useRangeStore } from './range'
import { RangeBar } from './range-bar'
import { SectionTools } from './section-tools'
import { applyPour, makeSlotActions, type Reach } from './slot-actions'
import type { SlotActions } from './slot-actions'
import { isLong as isLongFit } from './use-all-lines'
import { useListing, type Grouped } from './use-listing'
import { useRangeHands } from './use-range-hands'

type Props = {
  readonly tab: Tab
  readonly hand: Place | null
  readonly onHold: (place: Place) => void
  /** Takes a place in hand and puts the focus into it, or on its row. */
  readonly onGo: (place: Place, on?: 'cell' | 'row') => void
  readonly fitOf: (key: string) => LineFit | undefined
  /** Opens the page on which a place's value is kept, and goes there. */
  readonly onOpen: (place: Place) => void
  /** Folded to the row in hand, while one sheet has the screen. */
  readonly folded: boolean
  readonly onDesigns: (section: SectionId) => void
}

/** Up to how many rows are all drawn at once. */
const DRAWN_WHOLE = 500

const EVERYTHING: Wanted = { show: 'all', words: '' }

/** A tab's places in reading order: the template's words beside the client's. */
export function Ledger({ tab, hand, onHold, onGo, onOpen, fitOf, folded, onDesigns }: Props) {
  const store = useJobStore()
  const range = useRangeStore()
  const isRange = useRange(({ chosen }) => chosen.size > 1)
  const [wanted, setWanted] = useState(EVERYTHING)
  const [grouped, setGrouped] = useState<Grouped>('section')
  const [pour, setPour] = useState<{ readonly plan: PasteFill; readonly from: Place } | null>(null)
  const askPour = useCallback((plan: PasteFill | null, from: Place) => {
    if (plan) setPour({ plan, from })
    else toast('Nothing of what was pasted has a place here.')
  }, [])
  const { actions, busy } = useSlotActions(onHold, onGo, onOpen, askPour)
  const closePour = (): void => {
    if (pour) onGo(pour.from)
    setPour(null)
  }
  const inHand = hand ? placeKey(hand) : null
  const isTooLong = useCallback(
    (key: string) => {
      const fit = fitOf(key)
      return fit !== undefined && isLongFit(fit)
    },
    [fitOf],
  )
  const { all, groups, changed } = useListing(tab, wanted, grouped, inHand, isTooLong)
  const listed = useMemo(() => groups.flatMap((group) => group.listed), [groups])
  useLayoutEffect(() => range.setState({ listed }), [range, listed])
  const isOrdered = isEverything(wanted) && grouped === 'section'
  const hands = useRangeHands({ listed, hand, isOrdered, onGo, onPour: askPour })
  const top = useRef<HTMLDivElement>(null)
  useEffect(() => {
    if (top.current) top.current.scrollTop = 0
  }, [tab, wanted, grouped])
  const known = (): ReturnType<Parameters<typeof LedgerHead>[0]['all']> => {
    const { pack, document } = store.getState()
    return { groups: all, known: { pack, document, isLong: isTooLong, changed: changed === 'none' ? null : changed } }
  }
  return (
    <div
      ref={top}
      className={`min-h-0 overflow-y-auto bg-cloth ${folded ? 'max-h-44 shrink-0' : 'flex-1'}`}
      data-ledger
      data-skip-to
      {...hands}
    >
      {isRange && <RangeBar />}
      {!folded && !isRange && <LedgerHead wanted={wanted} grouped={grouped} all={known} onWant={setWanted} onGroup={setGrouped} />}
      {pour && (
        <PasteFillPanel
          pour={pour.plan}
          onPour={() => {
            applyPour(store, pour.plan)
            closePour()
          }}
          onClose={closePour}
        />
      )}
      <EntryDrag>
        {groups.map((group) => (
          <Boundary key={group.key} what="This part’s places">
            <Group
              group={group}
              inHand={group.listed.some(({ key }) => key === inHand) ? inHand : null}
              isWhole={tab === 'site'}
              isLong={listed.length > DRAWN_WHOLE}
              fitOf={fitOf}
              folded={folded}
              busy={busy}
              actions={actions}
              onHold={onHold}
              onDesigns={onDesigns}
            />
          </Boundary>
        ))}
      </EntryDrag>
      {groups.length === 0 && <NothingListed wanted={wanted} changed={changed} onAll={() => setWanted(EVERYTHING)} />}
    </div>
  )
}

function NothingListed({
  wanted,
  changed,
  onAll,
}: {
  wanted: Wanted
  changed: ReturnType<typeof useListing>['changed']
  onAll: () => void
}) {
  const isAsking = wanted.show === 'changed' && changed === null
  const words =
    wanted.show !== 'changed' || (changed !== 'none' && changed !== null)
      ? 'No place here is of that kind.'
      : isAsking
        ? 'Looking what visitors see now…'
        : 'Nothing is live yet, so all of the site is new.'
  return (
    <div className="flex items-center gap-3 px-4 py-4">
      <p className="text-soft" role="status">
        {wanted.words.trim() && !isAsking ? `No place here says “${wanted.words.trim()}”.` : words}
      </p>
      <Button onClick={onAll}>Show all</Button>
    </div>
  )
}

type GroupProps = Pick<Props, 'fitOf' | 'folded' | 'onHold' | 'onDesigns'> & {
  readonly group: ListedGroup
  /** The place in hand, where it is in this group. */
  readonly inHand: string | null
  /** Among those of other pages: it says where it stands. */
  readonly isWhole: boolean
  /** What is listed is too long to be drawn whole. */
  readonly isLong: boolean
  readonly busy: ReadonlySet<string>
  readonly actions: SlotActions
}

/** The places of one part of a page, or of one kind. */
const Group = memo(function Group({ group, inHand, isWhole, isLong, fitOf, folded, busy, actions, onHold, onDesigns }: GroupProps) {
  const { type, section, where, listed } = group
  const reach = useJob((s) => reachOfGroup(s.document, group))
  if (folded && inHand === null) return null
  const shown = folded ? listed.filter(({ key }) => key === inHand) : listed
  const rows = (): React.ReactNode =>
    shown.map((one, i) => (
      <ListedRow
        // Where it stands is one and the same whatever it follows.
        key={one.row ? placeKey(one.row.stands) : one.key}
        listed={one}
        inHand={one.key === inHand}
        isNamed={type === 'kind'}
        isFirstOfItem={isFirstOfItem(shown, i)}
        busy={busy.has(one.key)}
        fit={fitOf(one.key)}
        actions={actions}
        onHold={onHold}
      />
    ))
  return (
    <GroupFrame
      title={group.title}
      where={isWhole && type !== 'kind' ? where : null}
      reach={reach}
      folded={folded}
      tools={section && <SectionTools section={section} onDesigns={onDesigns} />}
    >
      <NearRows rows={shown.length} isWanted={!isLong || inHand !== null}>
        {rows}
      </NearRows>
    </GroupFrame>
  )
})

function isFirstOfItem(listed: readonly Listed[], i: number): boolean {
  const entry = listed[i]?.row?.entry ?? null
  return entry !== null && listed[i - 1]?.row?.entry?.key !== entry.key
}

function reachOfGroup(document: SiteDocument, { type, section: id }: ListedGroup): string | null {
  if (type === 'kind') return null
  const section = id === null ? null : findSection(document, id)
  if (section) return reachOfWords(document, section)
  if (id !== null) return 'this page'
  return type === 'page' ? 'this page' : 'every page'
}

/** What the rows of slots do, and which of them wait for a picture to be read. */
function useSlotActions(
  onHold: (place: Place) => void,
  onGo: (place: Place) => void,
  onOpen: (place: Place) => void,
  onPour: Reach['pour'],
): { readonly actions: SlotActions; readonly busy: ReadonlySet<string> } {
  const store = useJobStore()
  const gesture = useGesture()
  const [busy, setBusy] = useState<ReadonlySet<string>>(new Set())
  const markBusy = useCallback((key: string, on: boolean) => {
    setBusy((before) => {
      const next = new Set(before)
      if (on) next.add(key)
      else next.delete(key)
      return next
    })
  }, [])
  const actions = useMemo(
    () => makeSlotActions(store, gesture, { hold: onHold, go: onGo, open: onOpen, pour: onPour }, markBusy),
    [store, gesture, onHold, onGo, onOpen, onPour, markBusy],
  )
  return { actions, busy }
}
