import morphdom from 'morphdom'
import { allOf } from '@/core/fill'
import { bodyHtml, columnsClass, HOLDERS, isInColumns, type DrawnPage, type DrawnSection, type MarkedPlace } from '@/core/render'
import { measurePart } from './measure-lines'
import { placeKey, type Place } from '@/core/site'
import { takeSections, type SectionEvents } from './section-hands'
import { SheetHands, toSitePath, type SheetEvents } from './sheet-hands'
import { SHEET_CSS } from './sheet-css'

/** How much is seen above the first box. */
const BOX_MARGIN_PX = 24

/** One sheet: a page drawn live in a frame, patched where it changed, and typed into. */
export class SheetView {
  private shown = new Map<string, string>()
  private page = ''
  /** The columns at the sides of the page that is shown. */
  private shape = ''
  private styles: DrawnPage['styles'] | null = null
  private readonly hands: SheetHands | null
  private leads = false
  /** The next scroll event is our own doing. */
  private isMoved = false
  private section: string | null = null
  private readonly drawnIn: Document
  /** The places that the marks on this sheet name. */
  private places: ReadonlyMap<string, MarkedPlace> = new Map()
  /** The element of the words that are typed in. */
  private wordsIn: Element | null = null

  constructor(
    private readonly frame: HTMLIFrameElement,
    private readonly events: SheetEvents | null,
    onGo?: (path: string) => void,
    sections?: () => SectionEvents | undefined,
  ) {
    const document = this.document
    this.drawnIn = document
    document.open()
    document.write(
      '<!doctype html><html><head><meta charset="utf-8"><meta http-equiv="Content-Security-Policy" ' +
        `content="default-src 'none'; img-src 'self' data: blob:; font-src 'self'; style-src 'unsafe-inline'">` +
        '<title>Sheet</title><style id="fonts"></style><style id="tokens"></style><style id="designs"></style><style ' +
        `id="sheet">${SHEET_CSS}</style></head><body></body></html>`,
    )
    document.close()
    // A sheet shows a page and never leaves it; whoever walks through the site is told which page a link leads to.
    document.addEventListener('click', (event) => {
      const link = (event.target as Element).closest('a')
      if (!link) return
      event.preventDefault()
      const href = link.getAttribute('href') ?? ''
      if (!events && href.length > 1 && href.startsWith('#')) return document.getElementById(href.slice(1))?.scrollIntoView()
      const path = toSitePath(href)
      if (onGo && !events && path !== null) onGo(path)
    })
    document.addEventListener('submit', (event) => event.preventDefault())
    const told: SheetEvents | null = events && {
      ...events,
      onWords: (words) => {
        if (this.wordsIn) this.forget(this.wordsIn)
        this.wordsIn = words?.element ?? null
        events.onWords(words)
      },
    }
    this.hands =
      told && new SheetHands(document, told, (element) => this.places.get(element.getAttribute('data-place') ?? '')?.place ?? null)
    if (sections && !events) takeSections(document, sections)
    if (events) this.lead(events)
    else document.body.className = sections?.() ? 'viewing arranging' : 'viewing'
  }

  /** Whether the frame has another document than the one that was drawn in: a browser empties a frame that is moved in the tree. */
  get isEmptied(): boolean {
    return this.frame.contentDocument !== this.drawnIn
  }

  private get document(): Document {
    const document = this.frame.contentDocument
    if (!document) throw new Error('The sheet has no document')
    return document
  }

  /** Draws what differs from what is shown; returns the ids of the sections drawn again. With `only`, that section alone. */
  show(frame: DrawnPage, only?: string): string[] {
    const changed = this.draw(frame, only)
    this.keepWords()
    return changed
  }

  /** Draws a box around some sections, and brings the first of them into sight. */
  box(sections: ReadonlySet<string>): void {
    const all = [...this.document.querySelectorAll('[data-section]')]
    const isBoxed = (element: Element): boolean => sections.has(element.getAttribute('data-section') ?? '')
    for (const element of all) element.toggleAttribute('data-boxed', isBoxed(element))
    const first = all.find(isBoxed)?.getBoundingClientRect()
    if (first) this.document.defaultView?.scrollBy(0, first.top - BOX_MARGIN_PX)
  }

  private draw(frame: DrawnPage, only?: string): string[] {
    const { document } = this
    this.dress(frame)
    const all = allOf(frame)
    this.places = new Map(all.flatMap((s) => [...s.places]))
    if (only !== undefined)
      return this.showAlone(
        frame,
        all.filter((s) => s.id === only),
      )
    const shape = columnsClass(frame)
    if (frame.page !== this.page || shape !== this.shape || !document.getElementById('main')) return this.showAnew(frame, all)
    if (all.map((s) => s.id).join(' ') !== [...this.shown.keys()].join(' ')) this.arrange(frame, all)
    const changed = all.filter((s) => this.shown.get(s.id) !== s.html)
    for (const section of changed) this.patch(section)
    this.shown = new Map(all.map((s) => [s.id, s.html]))
    return changed.map((s) => s.id)
  }

  /** Words that are typed in follow what stands there by other hands; where their place is gone, typing ends. */
  private keepWords(): void {
    const words = this.hands?.words
    if (!words) return
    const place = this.places.get(words.element.getAttribute('data-place') ?? '')?.place
    const rich = words.element.isConnected && place ? (this.events?.richAt(place) ?? null) : null
    if (rich) words.take(rich)
    else this.hands?.closeWords()
  }

  /** The section of an element is drawn whole the next time, whatever was shown. */
  private forget(element: Element): void {
    const section = element.closest('[data-section]')?.getAttribute('data-section')
    if (section != null && this.shown.has(section)) this.shown.set(section, '')
  }

  /** Styles are compared by what was set: asking a style element for its text costs more than the rest of an act. */
  private dress({ styles, language, direction }: DrawnPage): void {
    for (const part of ['fonts', 'tokens', 'designs'] as const) {
      const style = this.document.getElementById(part)
      if (style && this.styles?.[part] !== styles[part]) style.textContent = styles[part]
    }
    this.styles = styles
    const { documentElement } = this.document
    if (documentElement.lang !== language) documentElement.lang = language
    if (documentElement.dir !== direction) documentElement.dir = direction
  }

  /** The same page arranged anew: what stays is moved, so that only what came is drawn. */
  private arrange(page: DrawnPage, all: readonly DrawnSection[]): void {
    const { body } = this.document
    const main = this.document.getElementById('main')
    const stay = new Set(all.map((s) => s.id))
    for (const id of this.shown.keys()) if (!stay.has(id)) this.elementOf(id)?.remove()
    const put = (sections: readonly DrawnSection[], parent: Element | null, from = parent?.firstElementChild ?? null): void => {
      let next = from
      for (const section of sections) {
        const element = this.elementOf(section.id) ?? this.make(section)
        if (element === next) next = next.nextElementSibling
        else parent?.insertBefore(element, next)
      }
    }
    put(page.header, body)
    put(page.head, main)
    put(page.main, isInColumns(page) ? this.holder('main') : main)
    put(page.start, this.holder('start'))
    put(page.end, this.holder('end'))
    put(page.footer, body, main?.nextElementSibling ?? null)
    this.markSection()
  }

  private make(section: DrawnSection): Element {
    const made = this.document.createElement('template')
    made.innerHTML = section.html
    this.shown.set(section.id, section.html)
    return made.content.firstElementChild ?? this.document.createElement('section')
  }

  private holder(part: keyof typeof HOLDERS): Element | null {
    return this.document.querySelector(HOLDERS[part])
  }

  private elementOf(section: string): Element | null {
    const holders = [this.document.body, ...Object.values(HOLDERS).map((where) => this.document.querySelector(where))]
    const within = holders.flatMap((holder) => [...(holder?.children ?? [])])
    return within.find((element) => element.getAttribute('data-section') === section) ?? null
  }

  private showAnew(frame: DrawnPage, all: readonly DrawnSection[]): string[] {
    const { document } = this
    document.body.innerHTML = pageHtml(frame)
    // Asking an empty sheet where it stands would have it laid out before its styles are there.
    if (this.page !== '' && this.page !== frame.page) document.documentElement.scrollTop = 0
    this.page = frame.page
    this.shape = columnsClass(frame)
    this.shown = new Map(all.map((s) => [s.id, s.html]))
    this.markSection()
    return all.map((s) => s.id)
  }

  private showAlone(frame: DrawnPage, all: readonly DrawnSection[]): string[] {
    const { document } = this
    const html = all.map((s) => s.html).join('')
    if (this.shown.get('alone') !== html) document.body.innerHTML = html
    this.shown = new Map([['alone', html]])
    return all.map((s) => s.id)
  }

  private patch(section: DrawnSection): void {
    const element = this.elementOf(section.id)
    if (!element) return
    morphdom(element, section.html, {
      onBeforeElUpdated: (from, to) => {
        if (from.hasAttribute('contenteditable')) to.setAttribute('contenteditable', from.getAttribute('contenteditable') ?? '')
        if (from.hasAttribute('data-in-hand')) to.setAttribute('data-in-hand', '')
        if (from.hasAttribute('data-section-in-hand')) to.setAttribute('data-section-in-hand', '')
        if (from === this.hands?.words?.element && from.getAttribute('data-place') === to.getAttribute('data-place')) {
          // How large the words are set changes while they are typed.
          fitLike(from, to)
          if (!to.hasAttribute('data-basted')) from.removeAttribute('data-basted')
          return false
        }
        if (from === this.hands?.typing && (sameWords(from, to) || rewrite(from, to))) {
          if (!to.hasAttribute('data-basted')) from.removeAttribute('data-basted')
          return false
        }
        return !from.isEqualNode(to)
      },
    })
    const typing = this.hands?.typing
    if (typing?.isConnected && !this.hands?.words && this.document.activeElement === typing && !this.hands?.hasCaret())
      this.hands?.caretToEnd(typing)
  }

  /** Lines of every text place in the given sections. */
  measure(sections: readonly string[]): Map<string, number> {
    const found = new Map<string, number>()
    for (const id of sections) {
      const element = this.elementOf(id)
      if (element) for (const [key, lines] of measurePart(element)) found.set(key, lines)
    }
    return found
  }

  /** Lines the template's own content takes in each place; laid out unseen beside the page. */
  measureDesign(frame: DrawnPage): Map<string, number> {
    const part = this.document.createElement('div')
    part.setAttribute('data-measure', '')
    part.innerHTML = pageHtml(frame)
    this.document.body.append(part)
    const found = measurePart(part)
    part.remove()
    return found
  }

  fontsReady(): Promise<unknown> {
    return this.document.fonts.ready
  }

  /** Marks the place in hand, and brings it into view unless it is being typed into here. */
  hold(place: Place | null): void {
    for (const held of this.document.querySelectorAll('[data-in-hand]')) held.removeAttribute('data-in-hand')
    if (!place) return
    const element = this.find(place)
    if (!element) return
    if (element === this.hands?.typing) return
    element.setAttribute('data-in-hand', '')
    const { top, bottom } = element.getBoundingClientRect()
    const height = this.frame.clientHeight
    if (top < 40 || bottom > height - 40) this.scrollBy(top - height * 0.3)
  }

  /** Marks a section, and brings it into view; it stays marked when the page is drawn again. */
  holdSection(section: string | null): void {
    this.section = section
    this.markSection()
    if (section !== null) this.scrollTo(section, -0.05)
  }

  private markSection(): void {
    for (const held of this.document.querySelectorAll('[data-section-in-hand]')) held.removeAttribute('data-section-in-hand')
    const element = this.section === null ? null : this.elementOf(this.section)
    element?.setAttribute('data-section-in-hand', '')
  }

  /** Brings a part of the page into sight; null: its top. */
  comeTo(section: string | null): void {
    if (section === null) this.scrollBy(-this.document.documentElement.scrollTop)
    else this.scrollTo(section, 0)
  }

  scrollTo(section: string, share: number): void {
    const element = this.elementOf(section)
    if (!element) return
    const { top, height } = element.getBoundingClientRect()
    this.scrollBy(top + height * share)
  }

  /** Moves the view without leading the other sheets: they are moved by whoever moved this one. */
  private scrollBy(distance: number): void {
    const root = this.document.documentElement
    const before = root.scrollTop
    root.scrollTop += distance
    this.isMoved = root.scrollTop !== before
  }

  /** A view that its visitor scrolls takes the other sheets along. */
  private lead(events: SheetEvents): void {
    const { document } = this
    document.addEventListener(
      'scroll',
      () => {
        if (this.isMoved) {
          this.isMoved = false
          return
        }
        if (!this.leads) return
        for (const section of document.querySelectorAll('[data-section]')) {
          const { top, height, bottom } = section.getBoundingClientRect()
          if (bottom > 0) return events.onScroll(section.getAttribute('data-section') ?? '', Math.max(0, -top / height))
        }
      },
      { passive: true },
    )
  }

  setLeader(leads: boolean): void {
    this.leads = leads
  }

  private find(place: Place): Element | null {
    const mark = `[data-place="${CSS.escape(placeKey(place))}"]`
    return this.document.querySelector(`body > :not([data-measure]) ${mark}, body > ${mark}`)
  }
}

/** The element that is typed in is held to its lines, or is not, as it is to be; its other classes are those of whoever types there. */
function fitLike(from: HTMLElement, to: HTMLElement): void {
  from.classList.toggle('fitted', to.classList.contains('fitted'))
  const style = to.getAttribute('style')
  if (style === from.getAttribute('style')) return
  if (style === null) from.removeAttribute('style')
  else from.setAttribute('style', style)
}

function pageHtml(page: DrawnPage): string {
  return bodyHtml(page, (section) => section.html)
}

/** While typing, browsers write some spaces as no-break spaces; to the reader they are the same. */
function sameWords(a: Element, b: Element): boolean {
  return (a.textContent ?? '').replace(/\s/g, ' ') === (b.textContent ?? '').replace(/\s/g, ' ')
}

/**
 * Words as printed become the words as written once somebody types there: each character is one character in both, but for soft hyphens,
 * so the caret stays where it was put. False where the two are not the same words.
 */
function rewrite(from: Element, to: Element): boolean {
  const [shown, written] = [textsOf(from), textsOf(to)]
  if (shown.length !== written.length || shown.some((text, i) => bare(text.data).length !== written[i]?.length)) return false
  const selection = from.ownerDocument.getSelection()
  const { anchorNode, anchorOffset = 0, focusNode, focusOffset = 0 } = selection ?? {}
  const [anchor, focus] = [offsetIn(anchorNode, anchorOffset), offsetIn(focusNode, focusOffset)]
  shown.forEach((text, i) => {
    const words = written[i]?.data ?? ''
    if (text.data !== words) text.data = words
  })
  if (anchorNode && focusNode && from.contains(anchorNode) && from.contains(focusNode))
    selection?.setBaseAndExtent(anchorNode, anchor, focusNode, focus)
  return true
}

function bare(words: string): string {
  return words.replaceAll('\u00ad', '')
}

/** Where a caret in a text stands without the soft hyphens before it. */
function offsetIn(node: Node | null | undefined, offset: number): number {
  return node?.nodeType === Node.TEXT_NODE ? bare((node as Text).data.slice(0, offset)).length : offset
}

function textsOf(element: Element): readonly Text[] {
  const walker = element.ownerDocument.createTreeWalker(element, NodeFilter.SHOW_TEXT)
  const found: Text[] = []
  for (let node = walker.nextNode(); node; node = walker.nextNode()) found.push(node as Text)
  return found
}
