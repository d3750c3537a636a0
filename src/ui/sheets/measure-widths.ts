import { NARROWEST, WIDEST, type Room } from '@/core/lines'

/** Between widths at which a design changes a room grows evenly, but for where a length comes to its end: often enough for that. */
const STEP = 64
/** How long the screen is kept from anything else, in ms. */
const SLICE = 12
const REM = 16

/** The windows in which a text is looked at, in px: evenly, and on both sides of every width that a style sheet asks for. */
export function windowsFor(css: string): readonly number[] {
  const widths = new Set<number>([WIDEST])
  for (let width = NARROWEST; width < WIDEST; width += STEP) widths.add(width)
  for (const [, side = '', length = '', unit = ''] of css.matchAll(/\((min|max)-width:\s*([\d.]+)(px|rem|em)\)/g)) {
    const px = Number(length) * (unit === 'px' ? 1 : REM)
    const first = side === 'min' ? Math.ceil(px) : Math.floor(px) + 1
    for (const width of [first - 1, first]) if (width > NARROWEST && width < WIDEST) widths.add(width)
  }
  return [...widths].sort((a, b) => a - b)
}

/** The room of an element at each of some widths of its window, as it is laid out with nothing held; the screen goes on meanwhile. */
export async function measureWidths(frame: HTMLIFrameElement, element: HTMLElement, windows: readonly number[]): Promise<readonly Room[]> {
  const rooms: Room[] = []
  let until = performance.now() + SLICE
  for (const width of windows) {
    if (performance.now() > until) {
      await new Promise((resolve) => setTimeout(resolve))
      until = performance.now() + SLICE
    }
    frame.style.width = `${width}px`
    const css = getComputedStyle(element)
    const size = parseFloat(css.fontSize)
    // What has no box is in no window so wide.
    if (!element.checkVisibility()) continue
    const inner = roomIn(element, css)
    element.style.maxInlineSize = 'none'
    const column = roomIn(element, css)
    element.style.removeProperty('max-inline-size')
    rooms.push({ width, size, room: inner / size, column: Math.max(inner, column) / size })
  }
  return rooms
}

/** So many short words that they fill a place, however wide it may become. */
const ENDLESS = 'i '.repeat(600)

/** Does something while an element has words without an end: as wide as its words make it, it then takes all the room that it can have. */
export async function withEndlessWords<T>(element: HTMLElement, act: () => Promise<T>): Promise<T> {
  const texts = element.ownerDocument.createTreeWalker(element, NodeFilter.SHOW_TEXT, (node) =>
    node.nodeValue?.trim() ? NodeFilter.FILTER_ACCEPT : NodeFilter.FILTER_SKIP,
  )
  const text = texts.nextNode()
  if (!text) return act()
  const words = text.nodeValue
  text.nodeValue = ENDLESS
  try {
    return await act()
  } finally {
    text.nodeValue = words
  }
}

function roomIn(element: HTMLElement, css: CSSStyleDeclaration): number {
  const around = ['paddingInlineStart', 'paddingInlineEnd', 'borderInlineStartWidth', 'borderInlineEndWidth'] as const
  const icon = element.querySelector<SVGElement>(':scope > .icon')
  const aside = icon ? icon.getBoundingClientRect().width + marginsOf(icon) : 0
  return element.getBoundingClientRect().width - aside - around.reduce((sum, part) => sum + (parseFloat(css[part]) || 0), 0)
}

function marginsOf(icon: Element): number {
  const css = getComputedStyle(icon)
  return (parseFloat(css.marginInlineStart) || 0) + (parseFloat(css.marginInlineEnd) || 0)
}
