'use client'
import { useCallback, useMemo, useRef, useState } from 'react'
import { NOT_FOUND, notFoundPage } from '@/core/fill'
import { findLeftover, neighbour } from '@/core/ledger'
import { findPageByPath } from '@/core/pages'
import {
  findPage,
  findSection,
  homePage,
  placeKey,
  sectionsOn,
  type Page,
  type PageId,
  type Place,
  type SectionId,
  type SiteDocument,
  type SlotValue,
} from '@/core/site'
import { useJob, useJobStore, useScreen } from '../job/job-context'
import { jobSource } from '../job/job-source'
import { useGesture } from '../job/use-gesture'
import type { SheetCommand } from '../sheets/sheet-hands'
import { KeyHints } from '../keys/key-hints'
import { SheetRow, type SheetRowHandle } from '../sheets/sheet-row'
import type { SheetName } from '../sheets/widths'
import { makeWordHand, WordHandContext } from '../words/word-hand'
import { actOnRange } from './act-on-range'
import { useContentKeys } from './content-keys'
import { DesignStrip } from './design-strip'
import { FindPanel } from './find-panel'
import { Ledger } from './ledger'
import { NearPanel } from './near-panel'
import { makeRange, RangeContext, type RangeStore } from './range'
import { PicturePicker, type PicturePickerHandle } from './picture-picker'
import { TabBar } from './tab-bar'
import { editOfTyped } from './typed'
import { useAllLines } from './use-all-lines'
import { useFits } from './use-fits'
import { useNear } from './use-near'
import { WordSpot } from './word-spot'
import { useSheetWords } from './use-sheet-words'
import { usePlaceInHand, type PlaceInHand } from './use-place-in-hand'

const SHEETS: readonly SheetName[] = ['desktop', 'tablet', 'phone']

/** The page at three widths over the ledger of its places; both are one text. */
export function ContentStage() {
  const store = useJobStore()
  const sheets = useRef<SheetRowHandle>(null)
  const picker = useRef<PicturePickerHandle>(null)
  const inHand = usePlaceInHand(sheets)
  const { tab, hand, view, openTab, hold, goTo, openKept } = inHand
  const [big, setBig] = useState<SheetName | null>(null)
  const [designs, setDesigns] = useState<SectionId | null>(null)
  // The section whose designs are walked through; it can leave by undo or by another tab.
  const walked = useJob((s) => (designs && findSection(s.document, designs) ? designs : null))
  // The section whose button opened its designs: it has the focus again when they close; else the place in hand has.
  const opener = useRef<SectionId | null>(null)
  const closeDesigns = (): void => {
    setDesigns(null)
    if (hand && opener.current === null) return goTo(hand)
    const section = opener.current ?? walked
    requestAnimationFrame(() => document.querySelector<HTMLElement>(`[data-designs="${CSS.escape(section ?? '')}"]`)?.focus())
  }
  const closePanel = (): void => {
    setPanel(null)
    if (hand) goTo(hand)
    else requestAnimationFrame(() => document.querySelector<HTMLElement>('[data-near]')?.focus())
  }
  const { fits, noteFit } = useFits()
  const gesture = useGesture()
  const type = useTyping(gesture)
  const walk = useCallback((section: SectionId | null) => {
    opener.current = document.activeElement?.closest('[data-designs]') ? section : null
    setDesigns(section)
  }, [])
  const [panel, setPanel] = useState<'find' | 'near' | null>(null)
  const near = useNear()
  const lines = useAllLines()
  const fitOf = useMemo(() => {
    const elsewhere = new Map([...lines.values()].flatMap((page) => [...page]))
    return (key: string) => fits.get(key) ?? elsewhere.get(key)
  }, [fits, lines])
  const [range] = useState(makeRange)
  const command = useCommands(inHand, range, walk, setPanel)
  useContentKeys(command)
  const source = useMemo(() => jobSource(store, ({ document }) => pageInView(document, view.getState().page), view), [store, view])
  const [wordHand] = useState(makeWordHand)
  const words = useSheetWords(store, wordHand, type, gesture)
  const events = useMemo(
    () => ({
      ...words,
      onPick: hold,
      onType: type,
      onCommand: command,
      onGo: (path: string) => {
        const page = findPageByPath(store.getState().document, path)
        if (page) openTab(page.id)
      },
      onPicture: (place: Place, file: File | null) => void (place.type === 'slot' && picker.current?.ask(place, file)),
    }),
    [words, hold, type, command, openTab, store],
  )

  return (
    <WordHandContext value={wordHand}>
      <RangeContext value={range}>
        <main className="flex min-h-0 flex-1 flex-col">
          <h1 className="sr-only">Content</h1>
          <div className={`min-h-0 shrink-0 px-4 pt-3 ${big || walked ? 'flex-1' : 'h-[52%]'}`}>
            <SheetRow
              ref={sheets}
              source={source}
              sheets={SHEETS}
              label="Page"
              events={events}
              big={big}
              onBig={setBig}
              onFit={noteFit}
              tools={wordTools}
            />
          </div>
          <div className="mt-2 flex shrink-0 flex-col">
            <TabBar tab={tab} near={near.length} lines={lines} onTab={openTab} onNear={() => setPanel('near')} />
          </div>
          {walked ? (
            <DesignStrip key={walked} section={walked} page={view.getState().page} onClose={closeDesigns} />
          ) : panel === 'find' ? (
            <FindPanel onHold={hold} onClose={closePanel} />
          ) : panel === 'near' ? (
            <NearPanel near={near} onHold={hold} onClose={closePanel} />
          ) : (
            <Ledger
              tab={tab}
              hand={hand}
              onHold={hold}
              onGo={goTo}
              onOpen={openKept}
              fitOf={fitOf}
              folded={big !== null}
              onDesigns={walk}
            />
          )}
          {!walked && <KeyHints names={['nextLeftover', 'keep', 'spare']} />}
          <PicturePicker ref={picker} />
        </main>
      </RangeContext>
    </WordHandContext>
  )
}

function wordTools(sheet: SheetName) {
  return <WordSpot spot={sheet} />
}

/** The page that the sheets show; that for wrong addresses is none of the site's own. */
function pageInView(document: SiteDocument, id: PageId): Page {
  return id === NOT_FOUND ? notFoundPage() : (findPage(document, id) ?? homePage(document))
}

/** What typing on a sheet changes; the keys of one place, without a long pause, are one gesture. */
function useTyping(gesture: (place: string) => string): (place: Place, value: SlotValue | string) => void {
  const store = useJobStore()
  const screen = useScreen()
  return useCallback(
    (place, value) => {
      const edit = editOfTyped(store.getState(), place, value)
      if (edit) screen.afterSheets(() => store.apply(edit, gesture(placeKey(place))))
    },
    [store, screen, gesture],
  )
}

/** What the keys do, from the sheets and from the ledger alike. */
function useCommands(
  { tab, hand, view, goTo }: PlaceInHand,
  range: RangeStore,
  walk: (section: SectionId | null) => void,
  show: (panel: 'find' | 'near') => void,
): (name: SheetCommand) => void {
  const store = useJobStore()
  return useCallback(
    (name) => {
      const { document, pack } = store.getState()
      const { listed, chosen } = range.getState()
      const several = chosen.size > 1 ? listed.filter(({ key }) => chosen.has(key)) : null
      const step = (by: 1 | -1): void => {
        const next = neighbour(
          listed.map(({ place }) => place),
          hand,
          by,
        )
        if (next) goTo(next)
      }
      switch (name) {
        case 'nextLeftover':
          return goTo(findLeftover(pack, document, hand, tab, 1))
        case 'previousLeftover':
          return goTo(findLeftover(pack, document, hand, tab, -1))
        case 'undo':
          return void store.undo()
        case 'redo':
          return void store.redo()
        case 'down':
          return step(1)
        case 'up':
          return step(-1)
        case 'keep':
          return several ? actOnRange(store, several, 'settle') : pressInHand(hand, '[data-keep]')
        case 'spare':
          return several ? actOnRange(store, several, 'empty') : pressInHand(hand, '[data-spare]')
        case 'designs':
          return walk(hand?.type === 'slot' ? hand.section : (sectionsOn(document, view.getState().page)[0]?.id ?? null))
        case 'find':
          return show('find')
        case 'near':
          return show('near')
        default:
          return name satisfies never
      }
    },
    [store, view, hand, tab, range, goTo, walk, show],
  )
}

/** Settles what is in hand, by the button of its row. */
function pressInHand(hand: Place | null, button: '[data-keep]' | '[data-spare]'): void {
  const row = hand && document.getElementById(`row-${placeKey(hand)}`)
  row?.querySelector<HTMLButtonElement>(button)?.click()
}
