import { useSearchParams } from 'next/navigation'
import { useCallback, useEffect, useRef, useState, type RefObject } from 'react'
import { toast } from 'sonner'
import { createStore, type StoreApi } from 'zustand/vanilla'
import { NOT_FOUND } from '@/core/fill'
import { listTab, tabOf, type Tab } from '@/core/ledger'
import { findPage, homePage, placeKey, samePlace, type PageId, type Place, type SiteDocument } from '@/core/site'
import type { Pack } from '@/core/pack'
import { useJob, useJobStore } from '../job/job-context'
import type { SheetRowHandle } from '../sheets/sheet-row'

/** What of a row has the focus. */
export type Focused = 'cell' | 'row'
type FocusNext = { readonly key: string; readonly on: Focused } | null

export type PlaceInHand = {
  readonly tab: Tab
  readonly hand: Place | null
  /** The page on the sheets, for them to ask for between two drawings of the screen. */
  readonly view: StoreApi<{ readonly page: PageId }>
  readonly openTab: (tab: Tab) => void
  /** Takes a place in hand, wherever it is listed. */
  readonly hold: (place: Place) => void
  /** The same, and puts the focus into its cell of the ledger, or on its row; where there is none, says so. */
  readonly goTo: (place: Place | null, on?: Focused) => void
  /** The same on the page where its value is kept, though the one in sight shows it too. */
  readonly openKept: (place: Place) => void
}

/** Which page is open and which place is in hand, in the ledger and on the sheets alike. */
export function usePlaceInHand(sheets: RefObject<SheetRowHandle | null>): PlaceInHand {
  const store = useJobStore()
  const params = useSearchParams()
  const asked = params.get('page')
  const [tab, setTab] = useState<Tab>(() => firstTab(store.getState().document, asked))
  const [hand, setHand] = useState<Place | null>(null)
  const [view] = useState(() => createStore<{ page: PageId }>(() => ({ page: isPage(tab) ? tab : homePage(store.getState().document).id })))
  const focusNext = useRef<FocusNext>(null)

  const isWhole = useRef(tab === 'site')
  const showTab = useCallback(
    (next: Tab): void => {
      setTab(next)
      isWhole.current = next === 'site'
      if (isPage(next)) view.setState({ page: next })
    },
    [view],
  )
  const openTab = useCallback(
    (next: Tab): void => {
      setHand(null)
      showTab(next)
      window.history.replaceState(null, '', `?page=${next === 'shared' ? 'every' : next === 'site' ? 'all' : next}`)
    },
    [showTab],
  )
  const hold = useCallback(
    (place: Place): void => {
      setHand((before) => (before && samePlace(before, place) ? before : place))
      const of = tabOf(store.getState().document, place, view.getState().page)
      // Where the whole site is listed, only the sheets go to the page.
      if (!isWhole.current) showTab(of)
      else if (of !== 'shared') view.setState({ page: of })
    },
    [store, showTab, view],
  )
  const goTo = useCallback(
    (place: Place | null, on: Focused = 'cell'): void => {
      if (!place) return void toast('No leftovers: every place holds the client’s content.')
      focusNext.current = { key: placeKey(place), on }
      hold(place)
      setHand({ ...place })
    },
    [hold],
  )

  const openKept = useCallback(
    (place: Place): void => {
      openTab(tabOf(store.getState().document, place, 'shared'))
      goTo(place)
    },
    [store, openTab, goTo],
  )

  useLostPage(tab, openTab)
  // Whoever comes by the search is taken to the place that was asked for.
  const [askedPlace, askedSection] = [params.get('place'), params.get('section')]
  useEffect(() => {
    const { document, pack } = store.getState()
    const found = askedPlace === null && askedSection === null ? null : findPlaceAsked(pack, document, asked, askedPlace, askedSection)
    if (found) goTo(found)
    // Only as it is asked for.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [askedPlace, askedSection])
  // What undo or redo changed comes into sight, wherever it is.
  useEffect(
    () =>
      store.subscribe((now, before) => {
        if (now.stepped !== before.stepped && now.stepped?.place) hold(now.stepped.place)
      }),
    [store, hold],
  )
  useEffect(() => {
    sheets.current?.hold(hand && hand.type !== 'brand' && hand.type !== 'page' ? hand : null)
    if (hand) showRow(placeKey(hand), focusNext)
  }, [hand, tab, sheets])
  return { tab, hand, view, openTab, hold, goTo, openKept }
}

function isPage(tab: Tab): tab is PageId {
  return tab !== 'shared' && tab !== 'site'
}

/** A page can leave while it is open: by undo, by another tab, by starting over. */
function useLostPage(tab: Tab, openTab: (tab: Tab) => void): void {
  const store = useJobStore()
  const isThere = useJob((s) => !isPage(tab) || tab === NOT_FOUND || findPage(s.document, tab) !== null)
  useEffect(() => {
    if (!isThere) openTab(homePage(store.getState().document).id)
  }, [isThere, openTab, store])
}

/** Brings a row into sight, and puts the focus into it where that was asked for. */
function showRow(key: string, focusNext: RefObject<FocusNext>): void {
  const row = document.getElementById(`row-${key}`)
  // A row that has the focus is in sight already; moving it would take a button away from under the pointer.
  if (!row?.contains(document.activeElement)) row?.scrollIntoView({ block: 'nearest' })
  if (focusNext.current?.key !== key) return
  const { on } = focusNext.current
  focusNext.current = null
  if (on === 'row') return row?.focus({ preventScroll: true })
  const cell = row?.querySelector<HTMLElement>('[data-client]')
  ;(cell?.querySelector<HTMLElement>('[data-cell]') ?? cell?.querySelector<HTMLElement>('input,textarea,select,button'))?.focus()
}

/** The page named in the address, so that a reload comes back to it. */
function firstTab(document: SiteDocument, asked: string | null): Tab {
  if (asked === 'every') return 'shared'
  if (asked === 'all') return 'site'
  return asked === NOT_FOUND ? NOT_FOUND : (findPage(document, asked ?? '') ?? homePage(document)).id
}

/** The place that an address names by its key, or the first of the section that it names. */
function findPlaceAsked(pack: Pack, document: SiteDocument, page: string | null, key: string | null, section: string | null): Place | null {
  const places = listTab(pack, document, firstTab(document, page)).flatMap((group) => group.listed.map(({ place }) => place))
  return places.find((place) => (key === null ? place.type === 'slot' && place.section === section : placeKey(place) === key)) ?? null
}
