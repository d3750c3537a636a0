'use client'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { toast } from 'sonner'
import { useShallow } from 'zustand/react/shallow'
import { NOT_FOUND, shownFacts, siteLabels, type Pour } from '@/core/fill'
import {
  findPage,
  placeKey,
  sectionsIn,
  sectionsOfPage,
  sharedSections,
  type Edit,
  type EditStep,
  type PageId,
  type Place,
  type Section,
  type SectionId,
  type SiteDocument,
} from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { useGesture } from '../job/use-gesture'
import { Boundary } from '../parts/boundary'
import { BrandRows } from './brand-rows'
import { FactRow } from './fact-row'
import { LabelRow } from './label-row'
import type { LineFit } from '../sheets/widths'
import { GroupFrame } from './group-frame'
import { PageRows } from './page-rows'
import { ROW_GRID } from './row-frame'
import { SectionGroup } from './section-group'
import { PourPanel } from './pour-panel'
import { applyPour, makeSlotActions, type Reach } from './slot-actions'
import type { SlotActions } from './slot-row'
import type { Tab } from './tabs'
import { useWordsAt } from '../words/word-hand'
import { WordSpot } from './word-spot'

type Props = {
  readonly tab: Tab
  readonly hand: Place | null
  readonly onHold: (place: Place) => void
  /** Takes a place in hand and puts the focus into it. */
  readonly onGo: (place: Place) => void
  readonly fits: ReadonlyMap<string, LineFit>
  /** Folded to the row in hand, while one sheet has the screen. */
  readonly folded: boolean
  readonly onDesigns: (section: SectionId) => void
}

/** A tab's places in reading order: the template's words beside the client's. */
export function Ledger({ tab, hand, onHold, onGo, fits, folded, onDesigns }: Props) {
  const [pour, setPour] = useState<{ readonly plan: Pour; readonly from: Place } | null>(null)
  const askPour = useCallback((plan: Pour | null, from: Place) => {
    if (plan) setPour({ plan, from })
    else toast('Nothing of what was pasted has a place here.')
  }, [])
  const { actions, busy } = useSlotActions(onHold, onGo, askPour)
  const store = useJobStore()
  const closePour = (): void => {
    if (pour) onGo(pour.from)
    setPour(null)
  }
  const top = useRef<HTMLDivElement>(null)
  useEffect(() => {
    if (top.current) top.current.scrollTop = 0
  }, [tab])
  const inHand = hand ? placeKey(hand) : null
  const sections = useJob(useShallow((s) => sectionsOfTab(s.document, tab).map(({ id }) => id)))
  return (
    <div ref={top} className={`min-h-0 overflow-y-auto bg-cloth ${folded ? 'max-h-44 shrink-0' : 'flex-1'}`} data-ledger data-skip-to>
      <LedgerHead folded={folded} />
      {pour && (
        <PourPanel
          pour={pour.plan}
          onPour={() => {
            applyPour(store, pour.plan)
            closePour()
          }}
          onClose={closePour}
        />
      )}
      {tab === 'shared' && <SharedGroups inHand={inHand} onHold={onHold} folded={folded} />}
      {sections.map((section) => (
        <Boundary key={section} what="This section’s places">
          <SectionGroup section={section} inHand={inHand} fits={fits} folded={folded} busy={busy} actions={actions} onDesigns={onDesigns} />
        </Boundary>
      ))}
      {tab === 'shared' && <LabelGroup inHand={inHand} onHold={onHold} folded={folded} />}
      {tab !== 'shared' && <PageGroup page={tab} inHand={inHand} onHold={onHold} folded={folded} />}
    </div>
  )
}

/** What the columns are; while words are typed in below, what can be done with them stands over theirs. */
function LedgerHead({ folded }: { readonly folded: boolean }) {
  const isTyping = useWordsAt('ledger') !== null
  if (folded && !isTyping) return null
  return (
    <div className={`${ROW_GRID} sticky top-0 z-10 min-h-8 items-center border-b border-seam bg-cloth pe-3 ps-4 text-sm text-soft`}>
      <span aria-hidden>Place</span>
      <span aria-hidden>Template’s</span>
      {isTyping ? <WordSpot spot="ledger" /> : <span aria-hidden>Client’s</span>}
      <span aria-hidden>Lines, of those designed</span>
      <span aria-hidden>State</span>
    </div>
  )
}

function sectionsOfTab(document: SiteDocument, tab: Tab): readonly Section[] {
  if (tab === 'shared') return sharedSections(document)
  return tab === NOT_FOUND ? sectionsIn(document, { type: 'notFound' }) : sectionsOfPage(document, tab)
}

/** What the rows of slots do, and which of them wait for a picture to be read. */
function useSlotActions(
  onHold: (place: Place) => void,
  onGo: (place: Place) => void,
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
    () => makeSlotActions(store, gesture, { hold: onHold, go: onGo, pour: onPour }, markBusy),
    [store, gesture, onHold, onGo, onPour, markBusy],
  )
  return { actions, busy }
}

type GroupProps = { readonly inHand: string | null; readonly onHold: (place: Place) => void; readonly folded: boolean }

/** The client's facts and brand, which every page shows. */
function SharedGroups({ inHand, onHold, folded }: GroupProps) {
  const store = useJobStore()
  const gesture = useGesture()
  const facts = useJob((s) => shownFacts(s.pack, s.document))
  return (
    <>
      <GroupFrame title="Client facts" reach="every page" folded={folded}>
        {facts
          .filter((fact) => !folded || inHand === `fact ${fact}`)
          .map((fact) => (
            <FactRow
              key={fact}
              fact={fact}
              inHand={inHand === `fact ${fact}`}
              onHold={() => onHold({ type: 'fact', fact })}
              onChange={(value) => store.apply({ type: 'fact/set', fact, value }, gesture(`fact ${fact}`))}
            />
          ))}
      </GroupFrame>
      <GroupFrame title="Brand" reach="every page" folded={folded}>
        {(!folded || inHand?.startsWith('brand')) && (
          <BrandRows
            inHand={inHand}
            onHold={(part) => onHold({ type: 'brand', part })}
            onColour={(value) => store.apply({ type: 'brand/set', part: 'colour', value }, gesture('brand colour'))}
            onLogo={(asset) => {
              if (asset) store.addAsset(asset)
              // The version for dark surfaces was made from the logo that goes.
              store.apply({
                type: 'batch',
                edits: [
                  { type: 'brand/set', part: 'logo', value: asset?.id ?? null },
                  { type: 'brand/set', part: 'logo-on-dark', value: null },
                ],
              })
            }}
          />
        )}
      </GroupFrame>
    </>
  )
}

/** Words that designs say of themselves, and what every page says beside them: once for the site. */
function LabelGroup({ inHand, onHold, folded }: GroupProps) {
  const store = useJobStore()
  const gesture = useGesture()
  const labels = useJob((s) => siteLabels(s.pack, s.document))
  return (
    <GroupFrame title="Labels" reach="every page" folded={folded}>
      {labels
        .filter(({ label }) => !folded || inHand === `label ${label}`)
        .map((row) => (
          <LabelRow
            key={row.label}
            row={row}
            inHand={inHand === `label ${row.label}`}
            onHold={() => onHold({ type: 'label', label: row.label })}
            onChange={(text) =>
              store.apply({ type: 'label/set', label: row.label, value: text === null ? null : { text } }, gesture(`label ${row.label}`))
            }
          />
        ))}
    </GroupFrame>
  )
}

/** An address that was given or kept by hand; null goes back to counting it as the template's. */
function addressEdit(page: PageId, segment: string | null): Edit {
  const kept: EditStep = { type: 'page/set', page, part: 'addressed', value: segment !== null }
  return segment === null ? kept : { type: 'batch', edits: [{ type: 'page/set', page, part: 'segment', value: segment }, kept] }
}

function PageGroup({ page, inHand, onHold, folded }: GroupProps & { readonly page: PageId }) {
  const store = useJobStore()
  const gesture = useGesture()
  const isThere = useJob((s) => findPage(s.document, page) !== null)
  if (!isThere) return null
  return (
    <GroupFrame title="In menus and search results" reach="this page" folded={folded}>
      {(!folded || inHand?.startsWith('page')) && (
        <PageRows
          page={page}
          inHand={inHand}
          onHold={onHold}
          onChange={(part, value) => store.apply({ type: 'page/set', page, part, value }, gesture(`page ${page} ${part}`))}
          onAddress={(segment) => store.apply(addressEdit(page, segment))}
        />
      )}
    </GroupFrame>
  )
}
