import type { Site } from '@/core/fill'
import { withEntryCount, type ListAt } from '@/core/plan'
import { makeSheetPainter, type DrawnPage, type DrawnSection } from '@/core/render'
import type { Page } from '@/core/site'
import { allOf } from '@/core/fill'
import { SheetView } from './sheet-view'
import { unseenFrame } from './unseen-frame'
import { SHEETS, type SheetName } from './widths'

/** The most entries that a design is tried with. */
export const MOST_TRIED = 12

/** How so many entries stand in a design: the sheets on which their last row does not reach across. */
export type CountTried = { readonly count: number; readonly short: readonly SheetName[] }

/** How much of the width that entries take in all a last row has to take, to be called whole. */
const WHOLE = 0.96

type Box = Pick<DOMRect, 'left' | 'right' | 'top' | 'bottom'>

/**
 * Tries a list with one entry, with two, up to twelve, on the three sheets, on a page that nobody sees: a number looks right where no hole
 * is left at the end of the last row. The screen goes on in between; empty where `isOver` came to be true.
 */
export async function tryCounts(site: Site, page: Page, at: ListAt, isOver: () => boolean): Promise<readonly CountTried[]> {
  const frame = unseenFrame('A list, measured')
  try {
    const view = new SheetView(frame, null)
    const paint = makeSheetPainter()
    const boxes = new Map<number, ReadonlyMap<SheetName, readonly Box[]>>()
    for (let count = MOST_TRIED; count >= 1; count--) {
      const tried: Site = { ...site, document: withEntryCount(site.pack, site.document, at, count) }
      const drawn = paint(tried, page)
      view.show({ ...drawn, page: `${drawn.page} ${count}` }, at.section)
      await view.fontsReady()
      const of = new Map<SheetName, readonly Box[]>()
      for (const { name, width } of SHEETS) {
        await pause()
        if (isOver()) return []
        frame.style.width = `${width}px`
        of.set(name, entryBoxes(frame, drawn, at))
      }
      boxes.set(count, of)
    }
    return [...boxes]
      .map(([count, of]) => ({
        count,
        short: SHEETS.map(({ name }) => name).filter((name) => !isWhole(of.get(name), extent(boxes, name))),
      }))
      .toReversed()
  } finally {
    frame.remove()
  }
}

/** The boxes of a list's entries: what stands right inside the element that holds them all. */
function entryBoxes(frame: HTMLIFrameElement, drawn: DrawnPage, { section, list }: ListAt): readonly Box[] {
  const document = frame.contentDocument
  const found = allOf(drawn).find(({ id }) => id === section)
  if (!document || !found) return []
  const firsts = [...firstKeys(found, list)].flatMap((key) => document.querySelector(`[data-place="${CSS.escape(key)}"]`) ?? [])
  return firsts.map((element) => entryOf(element, firsts).getBoundingClientRect())
}

/** The key of the first place of each entry. */
function firstKeys({ places }: DrawnSection, list: string): Iterable<string> {
  const firsts = new Map<string, string>()
  for (const [key, { stands }] of places) {
    if (stands.type !== 'slot' || stands.entry?.list !== list) continue
    const entry = JSON.stringify(stands.entry)
    if (!firsts.has(entry)) firsts.set(entry, key)
  }
  return firsts.values()
}

/** The largest element around a place that holds no other entry; of one alone, what the design marks as an entry is what its list holds. */
function entryOf(element: Element, all: readonly Element[]): Element {
  let entry = element
  const holdsAnother = (around: Element): boolean => all.some((other) => other !== element && around.contains(other))
  for (let up = element.parentElement; up && !holdsAnother(up); up = up.parentElement) {
    if (all.length === 1 && up.matches('ul,ol,dl,section,[data-section]')) break
    entry = up
  }
  return entry
}

/** From where to where a list reaches, however many entries it has. */
function extent(boxes: ReadonlyMap<number, ReadonlyMap<SheetName, readonly Box[]>>, sheet: SheetName): number {
  return Math.max(...[...boxes.values()].map((of) => reach(of.get(sheet) ?? [])))
}

function reach(boxes: readonly Box[]): number {
  return boxes.length === 0 ? 0 : Math.max(...boxes.map(({ right }) => right)) - Math.min(...boxes.map(({ left }) => left))
}

/** Whether those that stand beside the last one reach, with it, as far as the list does. */
function isWhole(boxes: readonly Box[] = [], whole: number): boolean {
  const last = boxes.at(-1)
  if (!last) return true
  const beside = boxes.filter(({ top, bottom }) => top < last.bottom - 1 && bottom > last.top + 1)
  return reach(beside) >= whole * WHOLE
}

function pause(): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve))
}
