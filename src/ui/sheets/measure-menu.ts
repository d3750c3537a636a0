import type { Site } from '@/core/fill'
import { makeSheetPainter, NEVER, withOnly } from '@/core/render'
import { homePage } from '@/core/site'
import { SheetView } from './sheet-view'
import { unseenFrame } from './unseen-frame'

/** Where a menu fits as it was designed: in windows of `from` px and more; `breaks` is the entry that is too many just below. */
export type MenuFit = { readonly from: number | null; readonly breaks: string | null }

/** The windows that a menu is asked about, in px. */
const NARROWEST = 320
const WIDEST = 1920
const STEP = 32
/** The entry of the page in hand is set bolder in some designs; on home that is the first, so others may be a little wider. */
const SPARE = 12
/** The window for which templates are designed. */
const DESIGNED = 1280

/**
 * Lays a site's header out unseen, in the fonts that it is published in, at every width, and finds where its menu takes more lines than the
 * template's own takes. `own` is the same site with the template's own pages.
 */
export async function measureMenu(site: Site, own: Site): Promise<MenuFit> {
  const frame = unseenFrame('Menu, measured')
  try {
    const view = new SheetView(frame, null)
    await show(view, own, frame)
    const allowed = Math.max(1, linesAt(frame, DESIGNED) ?? 1)
    await show(view, site, frame)
    return find(frame, allowed)
  } finally {
    frame.remove()
  }
}

async function show(view: SheetView, site: Site, frame: HTMLIFrameElement): Promise<void> {
  frame.style.width = `${DESIGNED}px`
  const drawn = makeSheetPainter()({ ...site, menuFrom: null }, homePage(site.document))
  view.show({ ...withOnly(drawn, []), header: drawn.header })
  // Fonts are asked for once something is laid out in them.
  linesAt(frame, DESIGNED)
  await view.fontsReady()
}

function find(frame: HTMLIFrameElement, allowed: number): MenuFit {
  const fits = (width: number): boolean => (linesAt(frame, width) ?? 0) <= allowed
  let wide = WIDEST
  if (!fits(wide)) return { from: NEVER, breaks: breakAt(frame, wide, allowed) }
  while (wide > NARROWEST && fits(wide - STEP)) wide -= STEP
  if (wide <= NARROWEST) return { from: null, breaks: null }
  let narrow = wide - STEP
  while (wide - narrow > 1) {
    const middle = (wide + narrow) >> 1
    if (fits(middle)) wide = middle
    else narrow = middle
  }
  return { from: wide + SPARE, breaks: breakAt(frame, narrow, allowed) }
}

/** The entries of the menu that stands in the page, in a window of a width; null where it is in its phone form. */
function entriesAt(frame: HTMLIFrameElement, width: number): readonly HTMLElement[] | null {
  frame.style.width = `${width}px`
  const menu = frame.contentDocument?.querySelector<HTMLElement>('nav ul')
  return menu?.checkVisibility() ? ([...menu.children] as HTMLElement[]) : null
}

function linesAt(frame: HTMLIFrameElement, width: number): number | null {
  const entries = entriesAt(frame, width)
  return entries && linesOf(entries).at(-1)!
}

/** On which line each entry stands, the first being 1; the last is the number of lines. */
function linesOf(entries: readonly HTMLElement[]): readonly number[] {
  let [line, end] = [1, -Infinity]
  return [...entries, null].map((entry) => {
    if (!entry) return line
    const { top, bottom } = entry.getBoundingClientRect()
    if (end !== -Infinity && top > end - 1) line++
    end = Math.max(end === -Infinity || top > end - 1 ? bottom : end, bottom)
    return line
  })
}

/** The first entry that does not stand on the lines that there may be, were each line filled before the next is begun. */
function breakAt(frame: HTMLIFrameElement, width: number, allowed: number): string | null {
  const entries = entriesAt(frame, width)
  const menu = entries?.[0]?.parentElement
  if (!entries || !menu) return null
  menu.style.setProperty('text-wrap', 'wrap')
  const lines = linesOf(entries)
  menu.style.removeProperty('text-wrap')
  const at = entries.findIndex((_, i) => (lines[i] ?? 1) > allowed)
  return entries[at]?.querySelector('a')?.textContent?.trim() ?? null
}
