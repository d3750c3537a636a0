import morphdom from 'morphdom'
import type { DraftFrame, DraftSection } from '@/core/render'
import type { SlotValue } from '@/core/site'
import { measurePart } from './measure-lines'
import { placeSelector, readPlace, type Place } from './place'
import { readRich } from './read-rich'
import { SHEET_CSS } from './sheet-css'

export type SheetCommand = 'nextLeftover' | 'previousLeftover' | 'undo' | 'redo' | 'down' | 'up' | 'keep'
export type SheetEvents = {
  /** A place was clicked or tabbed into. */
  readonly onPick: (place: Place) => void
  readonly onType: (place: Place, value: SlotValue | string) => void
  /** A picture was clicked (no file yet) or a file was dropped on it. */
  readonly onPicture: (place: Place, file: File | null) => void
  readonly onGo: (path: string) => void
  readonly onCommand: (command: SheetCommand) => void
  /** The visitor's view moved: which section is at the top, and how far into it. */
  readonly onScroll: (section: string, share: number) => void
}

/** One sheet: a page drawn live in a frame, patched where it changed, and typed into. */
export class SheetView {
  private shown = new Map<string, string>()
  private page = ''
  private typing: Element | null = null
  private leads = false
  /** The next scroll event is our own doing. */
  private isMoved = false

  constructor(private readonly frame: HTMLIFrameElement, private readonly events: SheetEvents | null) {
    const document = this.document
    document.open()
    document.write(`<!doctype html><html><head><meta charset="utf-8"><meta http-equiv="Content-Security-Policy" content="default-src 'none'; img-src 'self' data: blob:; font-src 'self'; style-src 'unsafe-inline'"><title>Sheet</title><style id="fonts"></style><style id="tokens"></style><style id="designs"></style><style id="sheet">${SHEET_CSS}</style></head><body></body></html>`)
    document.close()
    if (events) this.listen(events)
    else document.body.className = 'viewing'
    document.addEventListener('click', (event) => this.click(event))
    document.addEventListener('submit', (event) => event.preventDefault())
  }

  private get document(): Document {
    const document = this.frame.contentDocument
    if (!document) throw new Error('The sheet has no document')
    return document
  }

  /** Draws what differs from what is shown; returns the ids of the sections drawn again. */
  show(frame: DraftFrame): string[] {
    const { document } = this
    for (const part of ['fonts', 'tokens', 'designs'] as const) {
      const style = document.getElementById(part)
      if (style && style.textContent !== frame.styles[part]) style.textContent = frame.styles[part]
    }
    const all = [frame.header, ...frame.sections, frame.footer]
    if (frame.page !== this.page) return this.showAnew(frame, all)
    const changed = all.filter((s) => this.shown.get(s.id) !== s.html)
    for (const section of changed) this.patch(section)
    return changed.map((s) => s.id)
  }

  private showAnew(frame: DraftFrame, all: readonly DraftSection[]): string[] {
    const { document } = this
    document.documentElement.lang = frame.language
    document.body.innerHTML = `${frame.header.html}<main id="main">${frame.sections.map((s) => s.html).join('')}</main>${frame.footer.html}`
    document.documentElement.scrollTop = 0
    this.page = frame.page
    this.shown = new Map(all.map((s) => [s.id, s.html]))
    return all.map((s) => s.id)
  }

  private patch(section: DraftSection): void {
    const element = this.document.querySelector(`[data-section="${section.id}"]`)
    this.shown.set(section.id, section.html)
    if (!element) return
    morphdom(element, section.html, {
      onBeforeElUpdated: (from, to) => {
        if (from.hasAttribute('contenteditable')) to.setAttribute('contenteditable', from.getAttribute('contenteditable') ?? '')
        if (from.hasAttribute('data-in-hand')) to.setAttribute('data-in-hand', '')
        if (from === this.typing && sameWords(from, to)) {
          if (!to.hasAttribute('data-basted')) from.removeAttribute('data-basted')
          return false
        }
        return !from.isEqualNode(to)
      },
    })
    if (this.typing && this.typing.isConnected && this.document.activeElement === this.typing && !this.hasCaret()) this.caretToEnd(this.typing)
  }

  /** Lines of every text place in the given sections. */
  measure(sections: readonly string[]): Map<string, number> {
    const found = new Map<string, number>()
    for (const id of sections) {
      const element = this.document.querySelector(`[data-section="${id}"]`)
      if (element) for (const [key, lines] of measurePart(element)) found.set(key, lines)
    }
    return found
  }

  /** Lines the template's own content takes in each place; laid out unseen beside the page. */
  measureDesign(frame: DraftFrame): Map<string, number> {
    const part = this.document.createElement('div')
    part.setAttribute('data-measure', '')
    part.innerHTML = `${frame.header.html}<main>${frame.sections.map((s) => s.html).join('')}</main>${frame.footer.html}`.replaceAll('<img', '<img loading="lazy"')
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
    if (element !== this.typing) element.setAttribute('data-in-hand', '')
    if (this.typing === element) return
    const { top, bottom } = element.getBoundingClientRect()
    const height = this.frame.clientHeight
    if (top < 40 || bottom > height - 40) this.scrollBy(top - height * 0.3)
  }

  /** Puts the caret into a place, as a click would. */
  enter(place: Place): boolean {
    const element = this.find(place)
    if (!element || element.tagName === 'IMG') return false
    this.hold(place)
    this.open(element)
    ;(element as HTMLElement).focus({ preventScroll: true })
    this.selectForTyping(element)
    return true
  }

  scrollTo(section: string, share: number): void {
    const element = this.document.querySelector(`[data-section="${section}"]`)
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

  setLeader(leads: boolean): void {
    this.leads = leads
  }

  private find(place: Place): Element | null {
    return this.document.querySelector(`body > :not([data-measure]) ${placeSelector(place)}, body > ${placeSelector(place)}`)
  }

  private listen(events: SheetEvents): void {
    const { document } = this
    const marked = (target: EventTarget | null): Element | null => (target as Element | null)?.closest?.('[data-at],[data-fact]') ?? null
    document.addEventListener('pointerdown', (event) => {
      const element = marked(event.target)
      if (element && element.tagName !== 'IMG') this.open(element)
    })
    document.addEventListener('focusin', (event) => {
      const element = marked(event.target)
      const place = element && readPlace(element)
      if (!element?.hasAttribute('contenteditable') || !place) return
      this.typing = element
      events.onPick(place)
    })
    document.addEventListener('focusout', () => {
      this.typing?.removeAttribute('contenteditable')
      this.typing = null
    })
    document.addEventListener('input', () => {
      const place = this.typing && readPlace(this.typing)
      if (this.typing && place) events.onType(place, readTyped(this.typing, place))
    })
    document.addEventListener('paste', (event) => {
      event.preventDefault()
      const text = event.clipboardData?.getData('text/plain') ?? ''
      document.execCommand('insertText', false, this.typing?.hasAttribute('data-rich') ? text : text.replace(/\s*\n\s*/g, ' '))
    })
    document.addEventListener('keydown', (event) => this.key(event, events))
    document.addEventListener('scroll', () => {
      if (this.isMoved) {
        this.isMoved = false
        return
      }
      if (!this.leads) return
      for (const section of document.querySelectorAll('[data-section]')) {
        const { top, height, bottom } = section.getBoundingClientRect()
        if (bottom > 0) return events.onScroll(section.getAttribute('data-section') ?? '', Math.max(0, -top / height))
      }
    }, { passive: true })
    for (const type of ['dragover', 'dragleave', 'drop'] as const) document.addEventListener(type, (event) => this.drag(event, events))
  }

  private click(event: MouseEvent): void {
    const target = event.target as Element
    const link = target.closest('a')
    if (link) event.preventDefault()
    if (!this.events) return
    const element = target.closest('[data-at],[data-fact]')
    const place = element && readPlace(element)
    if (link && (!place || event.ctrlKey || event.metaKey)) {
      const path = new URL(link.getAttribute('href') ?? '', 'http://site/x/').pathname
      return this.events.onGo(toSitePath(link.getAttribute('href') ?? '') ?? path)
    }
    if (!element || !place) return
    if (element.tagName === 'IMG') {
      this.events.onPick(place)
      return this.events.onPicture(place, null)
    }
    if (element.hasAttribute('contenteditable')) this.selectForTyping(element, true)
    else this.events.onPick(place)
  }

  /** Makes a place ready for typing; a fact that is written from parts, and a list itself, are edited in the ledger. */
  private open(element: Element): void {
    const place = readPlace(element)
    if (!place || (place.type === 'fact' && (place.fact === 'address' || place.fact === 'hours')) || element.querySelector('[data-at],.logo')) return
    element.setAttribute('contenteditable', element.hasAttribute('data-rich') ? 'true' : 'plaintext-only')
  }

  /** A leftover is taken whole, so that the first key replaces it; in the client's own words the caret stays where it was put. */
  private selectForTyping(element: Element, onlyLeftovers = false): void {
    if (element.hasAttribute('data-basted')) this.document.getSelection()?.selectAllChildren(element)
    else if (!onlyLeftovers) this.caretToEnd(element)
  }

  private hasCaret(): boolean {
    const selection = this.document.getSelection()
    return !!selection?.anchorNode && !!this.typing?.contains(selection.anchorNode) && selection.anchorOffset > 0
  }

  private caretToEnd(element: Element): void {
    const selection = this.document.getSelection()
    selection?.selectAllChildren(element)
    selection?.collapseToEnd()
  }

  private key(event: KeyboardEvent, events: SheetEvents): void {
    const rich = this.typing?.hasAttribute('data-rich') ?? false
    const control = event.ctrlKey || event.metaKey
    const command: SheetCommand | null =
      event.key === 'F8' ? (event.shiftKey ? 'previousLeftover' : 'nextLeftover')
      : control && event.key.toLowerCase() === 'z' ? (event.shiftKey ? 'redo' : 'undo')
      : control && event.key.toLowerCase() === 'y' ? 'redo'
      : event.altKey && event.key.toLowerCase() === 'k' ? 'keep'
      : event.key === 'Enter' && this.typing && (!rich || control) ? (event.shiftKey ? 'up' : 'down') : null
    if (event.key === 'Escape') (this.document.activeElement as HTMLElement | null)?.blur()
    if (!command) return
    event.preventDefault()
    events.onCommand(command)
  }

  private drag(event: DragEvent, events: SheetEvents): void {
    const image = (event.target as Element | null)?.closest?.('img[data-at]')
    this.document.querySelectorAll('.dropping').forEach((e) => e.classList.remove('dropping'))
    if (!event.dataTransfer?.types.includes('Files')) return
    event.preventDefault()
    event.dataTransfer.dropEffect = image ? 'copy' : 'none'
    if (image && event.type === 'dragover') image.classList.add('dropping')
    const [file] = event.dataTransfer.files
    const place = image && readPlace(image)
    if (event.type === 'drop' && place && file) events.onPicture(place, file)
  }
}

function readTyped(element: Element, place: Place): SlotValue | string {
  const text = (element.textContent ?? '').replace(/\s/g, ' ')
  if (place.type === 'fact') return text
  return element.hasAttribute('data-rich') ? { type: 'rich', rich: readRich(element) } : { type: 'text', text }
}

/** While typing, browsers write some spaces as no-break spaces; to the reader they are the same. */
function sameWords(a: Element, b: Element): boolean {
  return (a.textContent ?? '').replace(/\s/g, ' ') === (b.textContent ?? '').replace(/\s/g, ' ')
}

/** The site's own path that a relative link leads to: `../about/` → `/about/`; null for links that leave the site. */
function toSitePath(href: string): string | null {
  const part = /^(?:\.\.?\/)+([a-z0-9-]+\/)?$/.exec(href)
  return part ? `/${part[1] ?? ''}` : null
}
