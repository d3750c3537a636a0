'use client'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { designsOf } from '@/core/pack'
import { findPage, findSection, reachOf, type SectionId } from '@/core/site'
import { confirmDrafts } from '@/core/trade'
import { notShownIn } from '@/core/wear'
import { useJob, useJobStore } from '../job/job-context'
import { useGesture } from '../job/use-gesture'
import { BrandRows } from './brand-rows'
import { FactRow } from './fact-row'
import type { LineFit } from './fit-strip'
import { PageRows } from './page-rows'
import { capital } from '../parts/words'
import { ROW_GRID } from './row-frame'
import { makeSlotActions } from './slot-actions'
import { SlotRow } from './slot-row'
import { rowKey, tabGroups, type Group, type RowPlace, type Tab } from './tabs'

type Props = {
  readonly tab: Tab
  readonly hand: RowPlace | null
  readonly onHold: (place: RowPlace) => void
  readonly fits: ReadonlyMap<string, LineFit>
  /** Folded to the row in hand, while one sheet has the screen. */
  readonly folded: boolean
  readonly onDesigns: (section: SectionId) => void
}

/** A tab's places in reading order: the template's words beside the client's. */
export function Ledger({ tab, hand, onHold, fits, folded, onDesigns }: Props) {
  const store = useJobStore()
  const document = useJob((s) => s.document)
  const pack = useJob((s) => s.pack)
  const assets = useJob((s) => s.assets)
  const gesture = useGesture()
  const [busy, setBusy] = useState<ReadonlySet<string>>(new Set())
  const markBusy = useCallback((key: string, on: boolean) => setBusy((before) => {
    const next = new Set(before)
    if (on) next.add(key)
    else next.delete(key)
    return next
  }), [])
  const actions = useMemo(() => makeSlotActions(store, gesture, onHold, markBusy), [store, gesture, onHold, markBusy])
  const top = useRef<HTMLDivElement>(null)
  useEffect(() => {
    if (top.current) top.current.scrollTop = 0
  }, [tab])
  const inHand = hand ? rowKey(hand) : null
  const groups = tabGroups(pack, document, tab)
  const shown = (key: string): boolean => !folded || key === inHand

  const draw = (group: Group) => {
    switch (group.type) {
      case 'facts': return group.facts.filter((f) => shown(`fact ${f}`)).map((fact) => (
        <FactRow key={fact} fact={fact} inHand={inHand === `fact ${fact}`} onHold={() => onHold({ type: 'fact', fact })} onChange={(value) => store.apply({ type: 'fact/set', fact, value }, gesture(`fact ${fact}`))} />
      ))
      case 'brand': return (!folded || inHand?.startsWith('brand')) && (
        <BrandRows
          inHand={inHand}
          onHold={(part) => onHold({ type: 'brand', part })}
          onColour={(value) => store.apply({ type: 'brand/set', part: 'colour', value }, gesture('brand colour'))}
          onLogo={(asset) => {
            if (asset) store.addAsset(asset)
            // The version for dark surfaces was made from the logo that goes.
            store.apply({ type: 'batch', edits: [{ type: 'brand/set', part: 'logo', value: asset?.id ?? null }, { type: 'brand/set', part: 'logo-on-dark', value: null }] })
          }}
        />
      )
      case 'page': return (!folded || inHand?.startsWith('page')) && (
        <PageRows page={group.page.id} inHand={inHand} onHold={(part) => onHold({ type: 'page', page: group.page.id, part })} onChange={(part, value) => store.apply({ type: 'page/set', page: group.page.id, part, value }, gesture(`page ${part}`))} />
      )
      case 'section': return group.rows.map((row, i) => {
        const key = `${row.section.id} ${row.path}`
        const item = row.path.split('/')[1]
        return shown(key) && (
          <SlotRow key={key} id={key} row={row} title={capital(group.title)} inHand={inHand === key} busy={busy.has(key)} fit={fits.get(key)} assets={assets} isFirstOfItem={item !== undefined && group.rows[i - 1]?.path.split('/')[1] !== item} actions={actions} />
        )
      })
      default: return group satisfies never
    }
  }

  return (
    <div ref={top} className={`min-h-0 overflow-y-auto bg-cloth ${folded ? 'max-h-44 shrink-0' : 'flex-1'}`} data-ledger>
      {!folded && (
        <div className={`${ROW_GRID} sticky top-0 z-10 border-b border-seam bg-cloth py-1 pe-3 ps-4 text-sm text-soft`} aria-hidden>
          <span>Place</span><span>Template’s</span><span>Client’s</span><span>Lines, of those designed</span><span>State</span>
        </div>
      )}
      {groups.map((group) => {
        const reach = group.type === 'section' ? reachOf(document, group.section) : group.type === 'page' ? 'this page' : 'every page'
        return (
          <section key={group.type === 'section' ? group.section : group.type} aria-label={`${capital(group.title)}, changes ${reach}`}>
            {!folded && (
              <h2 className="flex items-baseline gap-3 border-b border-seam bg-table px-4 pb-1 pt-3 text-base font-bold tracking-tight">
                {capital(group.title)}
                {group.type === 'section' && <SectionTools section={group.section} onDesigns={onDesigns} />}
                <span className="font-mono text-xs font-normal text-soft">{reach === 'every page' ? 'changes every page' : `changes ${findPage(document, tab as never) ? 'this page only' : reach}`}</span>
              </h2>
            )}
            {draw(group)}
          </section>
        )
      })}
    </div>
  )
}

/** What can be done with a section as a whole, and what its design has no place for. */
function SectionTools({ section: id, onDesigns }: { section: SectionId; onDesigns: (section: SectionId) => void }) {
  const store = useJobStore()
  const pack = useJob((s) => s.pack)
  const section = useJob((s) => findSection(s.document, id))
  if (!section) return null
  const hidden = notShownIn(pack, section)
  const drafts = confirmDrafts([section])
  const look = 'rounded-sm border border-seam bg-cloth px-1.5 text-sm font-normal tracking-normal hover:border-ink hover:bg-tape'
  return (
    <>
      <button type="button" className={look} onClick={() => onDesigns(id)} title="Walk through the designs (Alt+D)">Designs ({designsOf(pack, section.kind).length})</button>
      {drafts && <button type="button" className={look} onClick={() => store.apply(drafts)}>Confirm all drafts</button>}
      {hidden.length > 0 && <span className="text-sm font-normal tracking-normal text-thread" title={hidden.map((h) => `${h.slot}: ${h.words}`).join('\n')}>not shown in this design: {hidden.map((h) => h.slot).join(', ')}</span>}
    </>
  )
}
