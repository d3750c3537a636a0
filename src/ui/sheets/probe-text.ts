import { own } from '@/core/own'
import type { ListMark, Ruler, TextSetting } from '@/core/lines'
import { SHEETS } from './widths'

/** How the words of a place are set in a design: how long they are, and where some of them are bold. */
export type TextProbe = {
  readonly ruler: Ruler
  readonly bold: Ruler
  readonly setting: TextSetting
  /**
   * It can be a room of its own, in which its words are held. Where its width comes from its words, or where being a room would move
   * something, its lines are counted and not held.
   */
  readonly isRoom: boolean
}

/** The size at which letters are measured, in px: large, so that what a system rounds away is nothing. */
const LARGE = 200

/**
 * Finds out how an element's words are set, at each width of the sheets; null where its lines cannot be counted, having no one size, or
 * being shared with other words.
 */
export function probeText(frame: HTMLIFrameElement, element: HTMLElement, section: Element): TextProbe | null {
  const manners: Manner[] = []
  let isRoom = true
  for (const { width } of SHEETS) {
    frame.style.width = `${width}px`
    if (!element.checkVisibility()) continue
    if (goesOnInALine(element)) return null
    isRoom &&= canBeRoom(element, section)
    manners.push(mannerOf(element))
  }
  const [first] = manners
  if (!first || manners.some(({ isOwnSize }) => !isOwnSize)) return null
  const distinct = [...new Map(manners.map((manner) => [JSON.stringify({ ...manner, limit: null }), manner])).values()]
  const longest = (weight: (own: number) => number): Ruler => {
    const rulers = distinct.map((manner) => rulerOf(frame, { ...manner, weight: String(weight(Number(manner.weight))) }))
    return (words) => Math.max(...rulers.map((ruler) => ruler(words)))
  }
  return {
    ruler: longest((own) => own),
    bold: longest((own) => Math.max(own, 700)),
    setting: { letters: first.letters, limit: longestOf(manners), insets: insetsOf(element) },
    // Where letters stand wider apart on one width than on another, one space between them would move something.
    isRoom: isRoom && manners.every(({ letters }) => letters === first.letters),
  }
}

type Manner = {
  readonly style: string
  readonly weight: string
  readonly stretch: string
  readonly family: string
  /** In em. */
  readonly letters: number
  readonly words: number
  readonly transform: string
  readonly caps: string
  readonly language: string
  /** Its words are as large as the element says. */
  readonly isOwnSize: boolean
  /** The longest line that the design lets it have, in em. */
  readonly limit: number | null
}

function longestOf(manners: readonly Manner[]): number | null {
  const limits = manners.flatMap(({ limit }) => limit ?? [])
  return limits.length === 0 ? null : Math.max(...limits)
}

/** How far a list sets its entries in, in em of the size that it is set in; nothing where no list can stand there. */
function insetsOf(element: HTMLElement): TextSetting['insets'] {
  if (!element.hasAttribute('data-rich')) return { ul: 0, ol: 0 }
  const inset = (mark: ListMark): number => {
    const list = element.ownerDocument.createElement(mark)
    const entry = element.ownerDocument.createElement('li')
    list.append(entry)
    element.append(list)
    const less = element.clientWidth - entry.clientWidth
    const size = parseFloat(getComputedStyle(entry).fontSize)
    list.remove()
    return Math.max(0, less / size)
  }
  return { ul: inset('ul'), ol: inset('ol') }
}

function mannerOf(element: HTMLElement): Manner {
  // A rich text is set as its paragraphs are.
  const of = element.hasAttribute('data-rich') ? (element.querySelector('p') ?? element) : element
  const css = getComputedStyle(of)
  const size = parseFloat(css.fontSize)
  const em = (length: string): number => (parseFloat(length) || 0) / size
  return {
    style: css.fontStyle,
    weight: css.fontWeight,
    stretch: css.fontStretch,
    family: css.fontFamily,
    letters: Math.round(em(css.letterSpacing) * 1e4) / 1e4,
    words: em(css.wordSpacing),
    transform: css.textTransform,
    caps: css.fontVariantCaps,
    language: element.ownerDocument.documentElement.lang,
    limit: parseFloat(getComputedStyle(element).maxInlineSize) / size || null,
    isOwnSize: Math.abs(size - parseFloat(getComputedStyle(element).fontSize)) < 0.1,
  }
}

/** CSS keywords of widths, by the percentage that is computed for them (CSS Fonts 4, 2.5). */
const STRETCHES: Readonly<Record<string, CanvasFontStretch>> = {
  '50%': 'ultra-condensed',
  '62.5%': 'extra-condensed',
  '75%': 'condensed',
  '87.5%': 'semi-condensed',
  '112.5%': 'semi-expanded',
  '125%': 'expanded',
  '150%': 'extra-expanded',
  '200%': 'ultra-expanded',
}

/** Measures words in the frame's own fonts, by the browser's own shaping; what was measured is remembered. */
function rulerOf(frame: HTMLIFrameElement, manner: Manner): Ruler {
  const pen = frame.contentDocument?.createElement('canvas').getContext('2d')
  if (!pen) throw new Error('Nothing can be measured here')
  pen.font = `${manner.style} ${manner.weight} ${LARGE}px ${manner.family}`
  pen.fontStretch = own(STRETCHES, manner.stretch) ?? 'normal'
  pen.fontVariantCaps = manner.caps as CanvasFontVariantCaps
  pen.letterSpacing = `${manner.letters * LARGE}px`
  pen.wordSpacing = `${manner.words * LARGE}px`
  pen.textRendering = 'geometricPrecision'
  const known = new Map<string, number>()
  return (words) => {
    let length = known.get(words)
    if (length === undefined) known.set(words, (length = pen.measureText(cased(words, manner)).width / LARGE))
    return length
  }
}

function cased(words: string, { transform, language }: Manner): string {
  if (transform === 'uppercase') return words.toLocaleUpperCase(language || undefined)
  return transform === 'lowercase' ? words.toLocaleLowerCase(language || undefined) : words
}

/** Whether an element's words stand in lines that other words began, or go on in. */
function goesOnInALine(element: HTMLElement): boolean {
  const around = element.parentElement?.textContent?.trim()
  return getComputedStyle(element).display === 'inline' && around !== element.textContent?.trim()
}

/** Whether an element stays where it is, and all beside it, when it is a size container and its words stand in a block of their own. */
function canBeRoom(element: HTMLElement, section: Element): boolean {
  // Parts of a line contain nothing (CSS Containment 3, 3.1).
  if (getComputedStyle(element).display === 'inline') return false
  const others = [...section.querySelectorAll('*')].filter((one) => !element.contains(one))
  const boxes = (): string => [element, ...others].map(boxOf).join(' ')
  const before = boxes()
  const words = [...element.childNodes]
  const isRich = element.hasAttribute('data-rich')
  const block = element.ownerDocument.createElement('span')
  block.style.display = 'block'
  if (!isRich) {
    block.append(...words)
    element.append(block)
  }
  element.style.containerType = 'inline-size'
  const isAsBefore = boxes() === before
  element.style.removeProperty('container-type')
  if (!isRich) {
    block.remove()
    element.append(...words)
  }
  return isAsBefore
}

/** Where an element stands, to half a pixel. */
function boxOf(element: Element): string {
  const { left, top, width, height } = element.getBoundingClientRect()
  return [left, top, width, height].map((length) => Math.round(length * 2)).join()
}
