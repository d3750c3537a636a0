'use client'
import { useSearchParams } from 'next/navigation'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { createStore } from 'zustand/vanilla'
import { toast } from 'sonner'
import { sectionPlaceholders, shownValue } from '@/core/pack'
import { confirmedValue, findPage, findPageByPath, findSection, findSlotType, homePage, type PageId, type SectionId, type SiteDocument, type SlotValue } from '@/core/site'
import { PICTURE_TYPES } from '../brief/logo-input'
import { useJob, useJobStore } from '../job/job-context'
import { useGesture } from '../job/use-gesture'
import { SheetRow, type SheetFit, type SheetRowHandle, type SheetSource } from '../sheets/sheet-row'
import type { SheetCommand } from '../sheets/sheet-hands'
import type { Place } from '../sheets/place'
import type { SheetName } from '../sheets/widths'
import { DesignStrip } from './design-strip'
import type { LineFit } from './fit-strip'
import { Ledger } from './ledger'
import { putPicture } from './slot-actions'
import { TabBar } from './tab-bar'
import { findLeftover, groupPlaces, placeOfEdit, rowKey, tabGroups, tabOf, type RowPlace, type Tab } from './tabs'

const SHEETS: readonly SheetName[] = ['desktop', 'tablet', 'phone']

/** The page at three widths over the ledger of its slots; both are one text. */
export function ContentStage() {
  const store = useJobStore()
  const document = useJob((s) => s.document)
  const gesture = useGesture()
  const asked = useSearchParams().get('page')
  const [tab, setTab] = useState<Tab>(() => firstTab(document, asked))
  const [hand, setHand] = useState<RowPlace | null>(null)
  const [big, setBig] = useState<SheetName | null>(null)
  const [designs, setDesigns] = useState<SectionId | null>(null)
  // The section whose designs are walked through; it can leave by undo or by another tab.
  const walked = designs && findSection(document, designs) ? designs : null
  const [fits, setFits] = useState<ReadonlyMap<string, LineFit>>(new Map())
  const [view] = useState(() => createStore<{ page: PageId }>(() => ({ page: tab === 'shared' ? homePage(document).id : tab })))
  const sheets = useRef<SheetRowHandle>(null)
  const picker = useRef<{ input: HTMLInputElement | null; place: Place | null }>({ input: null, place: null })
  const focusNext = useRef<string | null>(null)

  const source = useMemo<SheetSource>(() => ({
    current: () => {
      const { document: now, pack, assets } = store.getState()
      return { site: { document: now, pack, assets, mode: 'draft' }, page: findPage(now, view.getState().page) ?? homePage(now) }
    },
    subscribe: (onChange) => {
      const stops = [store.subscribe((now, before) => { if (now.document !== before.document || now.assets !== before.assets) onChange() }), view.subscribe(onChange)]
      return () => stops.forEach((stop) => stop())
    },
  }), [store, view])

  const openTab = useCallback((next: Tab): void => {
    setTab(next)
    if (next !== 'shared') view.setState({ page: next })
    window.history.replaceState(null, '', next === 'shared' ? '?page=every' : `?page=${next}`)
  }, [view])

  const hold = useCallback((place: RowPlace): void => {
    setHand((before) => (before && rowKey(before) === rowKey(place) ? before : place))
    const next = tabOf(store.getState().document, place)
    setTab((before) => {
      if (before === next) return before
      if (next !== 'shared') view.setState({ page: next })
      return next
    })
  }, [store, view])

  // A page can leave while it is open: by undo, by another tab, by starting over.
  useEffect(() => {
    if (tab === 'shared' || findPage(document, tab)) return
    setHand(null)
    setDesigns(null)
    openTab(homePage(document).id)
  }, [document, tab, openTab])

  // What undo or redo changed comes into sight, wherever it is.
  useEffect(() => store.subscribe((now, before) => {
    const place = now.stepped && now.stepped !== before.stepped ? placeOfEdit(now.stepped) : null
    if (place) hold(place)
  }), [store, hold])

  /** Takes a place in hand and puts the focus into its row of the ledger. */
  const goTo = useCallback((place: RowPlace | null): void => {
    if (!place) return void toast('No leftovers: every place holds the client’s content.')
    focusNext.current = rowKey(place)
    hold(place)
    setHand({ ...place })
  }, [hold])

  useEffect(() => {
    sheets.current?.hold(hand && hand.type !== 'brand' && hand.type !== 'page' ? hand : null)
    const wanted = focusNext.current
    if (!hand) return
    const row = globalThis.document.getElementById(`row-${rowKey(hand)}`)
    // A row that has the focus is in sight already; moving it would take a button away from under the pointer.
    if (!row?.contains(globalThis.document.activeElement)) row?.scrollIntoView({ block: 'nearest' })
    if (wanted !== rowKey(hand)) return
    focusNext.current = null
    row?.querySelector<HTMLElement>('[data-cell],input,textarea,select,button')?.focus()
  }, [hand, tab])

  const type = useCallback((place: Place, value: SlotValue | string): void => {
    const group = gesture(rowKey(place))
    if (place.type === 'fact') {
      if (typeof value === 'string') store.apply({ type: 'fact/set', fact: place.fact, value }, group)
      return
    }
    const { document: now, pack } = store.getState()
    const section = findSection(now, place.section)
    if (!section || typeof value === 'string') return
    if (findSlotType(section.kind, place.slot) !== 'link') return void store.apply({ type: 'slot/set', section: section.id, slot: place.slot, value }, group)
    const link = shownValue(section, sectionPlaceholders(pack, now, section), place.slot)?.value
    if (link?.type === 'link' && value.type === 'text') store.apply({ type: 'slot/set', section: section.id, slot: place.slot, value: confirmedValue({ ...link, label: value.text }) }, group)
  }, [store, gesture])

  const step = useCallback((by: 1 | -1): void => {
    const { document: now, pack } = store.getState()
    const places = tabGroups(pack, now, tab).flatMap((g) => groupPlaces(now, g)).map((p) => p.place)
    const at = hand ? places.findIndex((p) => rowKey(p) === rowKey(hand)) : -1
    const next = places[at + by]
    if (next) goTo(next)
  }, [store, tab, hand, goTo])

  const command = useCallback((name: SheetCommand): void => {
    const { document: now, pack } = store.getState()
    switch (name) {
      case 'nextLeftover': return goTo(findLeftover(pack, now, hand, tab, 1))
      case 'previousLeftover': return goTo(findLeftover(pack, now, hand, tab, -1))
      case 'undo': return store.undo()
      case 'redo': return store.redo()
      case 'down': return step(1)
      case 'up': return step(-1)
      case 'keep': return keepInHand(hand)
      case 'designs': return setDesigns(hand?.type === 'slot' ? hand.section : (findPage(now, view.getState().page)?.sections[0]?.id ?? null))
      default: return name satisfies never
    }
  }, [store, view, hand, tab, goTo, step])

  useEffect(() => {
    const press = (event: KeyboardEvent): void => {
      const cell = (event.target as Element).closest?.('[data-cell],[data-row] input')
      const many = cell?.getAttribute('data-lines') === 'many'
      const found: SheetCommand | null =
        event.key === 'F8' ? (event.shiftKey ? 'previousLeftover' : 'nextLeftover')
        : event.altKey && event.key.toLowerCase() === 'k' ? 'keep'
        : event.altKey && event.key.toLowerCase() === 'd' ? 'designs'
        : event.key === 'Enter' && cell && cell.tagName !== 'BUTTON' && (!many || event.ctrlKey || event.metaKey) ? (event.shiftKey ? 'up' : 'down') : null
      if (!found) return
      event.preventDefault()
      command(found)
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [command])

  const noteFit = useCallback((sheet: SheetName, fit: SheetFit): void => {
    setFits((before) => {
      const next = new Map(before)
      for (const [key, now] of fit.now) {
        const known = before.get(key)
        const designed = fit.designed.get(key) ?? fit.designed.get(key.replace(/\/[^/]+\//, '/t1/')) ?? 0
        if (known?.[sheet]?.now !== now || known?.[sheet]?.designed !== designed) next.set(key, { ...next.get(key), [sheet]: { now, designed } })
      }
      return next
    })
  }, [])

  const events = useMemo(() => ({
    onPick: (place: Place) => hold(place),
    onType: type,
    onCommand: command,
    onGo: (path: string) => {
      const page = findPageByPath(store.getState().document, path)
      if (page) openTab(page.id)
    },
    onPicture: (place: Place, file: File | null) => {
      if (place.type !== 'slot') return
      if (file) return void putPicture(store, place.section, place.slot, file, () => undefined)
      picker.current.place = place
      picker.current.input?.click()
    },
  }), [hold, type, command, openTab, store])

  return (
    <main className="flex min-h-0 flex-1 flex-col">
      <h1 className="sr-only">Content</h1>
      <div className={`min-h-0 shrink-0 px-4 pt-3 ${big || walked ? 'flex-1' : 'h-[52%]'}`}>
        <SheetRow ref={sheets} source={source} sheets={SHEETS} label="Page" events={events} big={big} onBig={setBig} onFit={noteFit} />
      </div>
      <div className="mt-2 flex shrink-0 flex-col"><TabBar tab={tab} onTab={(next) => { setHand(null); openTab(next) }} /></div>
      {walked ? <DesignStrip key={walked} section={walked} page={findPage(document, view.getState().page) ?? homePage(document)} onClose={() => setDesigns(null)} /> : <Ledger tab={tab} hand={hand} onHold={hold} fits={fits} folded={big !== null} onDesigns={setDesigns} />}
      <p className={`shrink-0 border-t border-seam bg-cloth px-4 py-1 font-mono text-xs text-soft ${walked ? 'hidden' : ''}`}>
        F8 next leftover · Enter down · Alt+K keep or confirm · Alt+D designs · Ctrl+Z undo · Ctrl+click follows a link
      </p>
      <input
        ref={(input) => { picker.current.input = input }}
        type="file" accept={PICTURE_TYPES} className="hidden" tabIndex={-1} aria-label="Picture for the place in hand"
        onChange={(event) => {
          const file = event.target.files?.[0]
          const { place } = picker.current
          if (file && place?.type === 'slot') void putPicture(store, place.section, place.slot, file, () => undefined)
          event.target.value = ''
        }}
      />
    </main>
  )
}

/** The page named in the address, so that a reload comes back to it. */
function firstTab(document: SiteDocument, asked: string | null): Tab {
  return asked === 'every' ? 'shared' : (document.pages.find((p) => p.id === asked) ?? homePage(document)).id
}

function keepInHand(hand: RowPlace | null): void {
  if (hand) globalThis.document.getElementById(`row-${rowKey(hand)}`)?.querySelector<HTMLButtonElement>('[data-keep]')?.click()
}
