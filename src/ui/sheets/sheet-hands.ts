import { inOneLine } from '@/core/fill'
import type { Place, RichText, SlotValue } from '@/core/site'
import { keyPressed } from '../keys/pressed'
import type { WordEditor } from '../words/word-editor'

export type SheetCommand =
  | 'nextLeftover'
  | 'previousLeftover'
  | 'undo'
  | 'redo'
  | 'down'
  | 'up'
  | 'keep'
  | 'spare'
  | 'designs'
  | 'find'
  | 'near'
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
  /** Typing has begun in a place, or has ended. */
  readonly onTyping: (place: Place | null) => void
  /** The rich text that a place shows now; null where it shows none. */
  readonly richAt: (place: Place) => RichText | null
  /** Opens the words of a rich place for typing on its element. */
  readonly openWords: (place: Place, element: HTMLElement) => WordEditor | null
  /** The words that are typed in, or that nobody types any more. */
  readonly onWords: (words: WordEditor | null) => void
}

/** What a person does on a sheet: clicks, types, pastes, drops, presses keys; told as places, values and commands. */
export class SheetHands {
  /** The element that is being typed in: drawing leaves it alone. */
  typing: Element | null = null
  /** What is typed in where the place holds rich text. */
  words: WordEditor | null = null

  constructor(
    private readonly document: Document,
    private readonly events: SheetEvents,
    /** The place that a marked element stands for; its mark is a name, and is never taken apart. */
    private readonly placeOf: (element: Element) => Place | null,
  ) {
    this.listen(events)
  }

  private listen(events: SheetEvents): void {
    const { document } = this
    const marked = (target: EventTarget | null): Element | null => (target as Element | null)?.closest?.('[data-place]') ?? null
    document.addEventListener('click', (event) => this.click(event))
    document.addEventListener('pointerdown', (event) => {
      const element = marked(event.target)
      if (this.words && this.words.element !== element) this.closeWords()
      if (element && element.tagName !== 'IMG') this.open(element)
    })
    document.addEventListener('focusin', (event) => {
      const element = marked(event.target)
      const place = element && this.placeOf(element)
      if (!element?.hasAttribute('contenteditable') || !place || element === this.typing) return
      this.typing = element
      events.onTyping(place)
      events.onPick(place)
    })
    document.addEventListener('focusout', () => {
      if (!this.typing) return
      if (this.words) return this.leaveWords()
      this.typing.removeAttribute('contenteditable')
      this.typing = null
      events.onTyping(null)
    })
    document.addEventListener('input', () => {
      const place = this.typing && this.placeOf(this.typing)
      if (this.typing && place && !this.words) events.onType(place, readTyped(this.typing, place))
    })
    document.addEventListener('paste', (event) => {
      if (this.words) return
      event.preventDefault()
      document.execCommand('insertText', false, inOneLine(event.clipboardData?.getData('text/plain') ?? ''))
    })
    document.addEventListener('keydown', (event) => this.key(event, events))
    for (const type of ['dragover', 'dragleave', 'drop'] as const) document.addEventListener(type, (event) => this.drag(event, events))
  }

  private click(event: MouseEvent): void {
    const target = event.target as Element
    const link = target.closest('a')
    const element = target.closest('[data-place]')
    const place = element && this.placeOf(element)
    if (link && (!place || event.ctrlKey || event.metaKey)) {
      const path = new URL(link.getAttribute('href') ?? '', 'http://site/x/').pathname
      return this.events.onGo(toSitePath(link.getAttribute('href') ?? '') ?? path)
    }
    if (!element || !place) return
    if (element.tagName === 'IMG') {
      this.events.onPick(place)
      return this.events.onPicture(place, null)
    }
    if (element.hasAttribute('contenteditable')) this.selectForTyping(element)
    else this.events.onPick(place)
  }

  /** Makes a place ready for typing; a fact that is written from parts, a button and a list itself are edited in the ledger. */
  private open(element: Element): void {
    const place = this.placeOf(element)
    if (
      !place ||
      (place.type === 'fact' && (place.fact === 'address' || place.fact === 'hours')) ||
      element.tagName === 'BUTTON' ||
      element.querySelector('[data-place],.logo')
    )
      return
    if (!element.hasAttribute('data-rich')) element.setAttribute('contenteditable', 'plaintext-only')
    else if (this.words?.element !== element) this.openWords(place, element as HTMLElement)
  }

  private openWords(place: Place, element: HTMLElement): void {
    this.words = this.events.openWords(place, element)
    this.events.onWords(this.words)
  }

  /** Words stay open while the hand is on their bar; the focus has arrived wherever it goes once this task is done. */
  private leaveWords(): void {
    setTimeout(() => {
      const host = window.document
      const { words } = this
      const isOnTools = host.activeElement?.closest('[data-word-tools]') ?? null
      if (!words || isOnTools || !host.hasFocus() || this.document.activeElement === words.element) return
      this.closeWords()
    })
  }

  /** Ends typing in a rich place; whoever draws the sheet draws its words again. */
  closeWords(): void {
    const { words } = this
    if (!words) return
    this.words = null
    this.typing = null
    words.close()
    this.events.onWords(null)
    this.events.onTyping(null)
  }

  /** A leftover is taken whole, so that the first key replaces it; in the client's own words the caret stays where it was put. */
  private selectForTyping(element: Element): void {
    if (!element.hasAttribute('data-basted')) return
    if (this.words) this.words.editor.commands.selectAll()
    else this.document.getSelection()?.selectAllChildren(element)
  }

  hasCaret(): boolean {
    const selection = this.document.getSelection()
    return !!selection?.anchorNode && !!this.typing?.contains(selection.anchorNode) && selection.anchorOffset > 0
  }

  caretToEnd(element: Element): void {
    const selection = this.document.getSelection()
    selection?.selectAllChildren(element)
    selection?.collapseToEnd()
  }

  private key(event: KeyboardEvent, events: SheetEvents): void {
    const command = commandOf(event, this.typing)
    if (event.key === 'Escape') {
      ;(this.document.activeElement as HTMLElement | null)?.blur()
      this.closeWords()
    }
    if (command) {
      event.preventDefault()
      events.onCommand(command)
    } else if (this.typing === null && keyPressed(event, OF_THE_SCREEN)) {
      event.preventDefault()
      const { key, code, shiftKey } = event
      window.dispatchEvent(new KeyboardEvent('keydown', { key, code, shiftKey, cancelable: true }))
    }
  }

  private drag(event: DragEvent, events: SheetEvents): void {
    const image = (event.target as Element | null)?.closest?.('img[data-place]')
    this.document.querySelectorAll('.dropping').forEach((e) => e.classList.remove('dropping'))
    if (!event.dataTransfer?.types.includes('Files')) return
    event.preventDefault()
    event.dataTransfer.dropEffect = image ? 'copy' : 'none'
    if (image && event.type === 'dragover') image.classList.add('dropping')
    const [file] = event.dataTransfer.files
    const place = image && this.placeOf(image)
    if (event.type === 'drop' && place && file) events.onPicture(place, file)
  }
}

/** What a key asks for on a sheet; Enter goes on from a place of one line, and with Ctrl from one that takes several. */
function commandOf(event: KeyboardEvent, typing: Element | null): SheetCommand | null {
  const command = keyPressed(event, COMMANDS)
  if (command) return command
  const step = keyPressed(event, ['down', 'up'])
  const isWithin = typing !== null && (!typing.hasAttribute('data-rich') || event.ctrlKey || event.metaKey)
  return isWithin ? step : null
}

const COMMANDS = ['nextLeftover', 'previousLeftover', 'undo', 'redo', 'find', 'keep', 'spare', 'designs', 'near'] as const

/** What the screen around the sheet hears: a key pressed in a frame is heard in that frame alone. */
const OF_THE_SCREEN = ['help', 'goTo'] as const

function readTyped(element: Element, place: Place): SlotValue | string {
  const text = (element.textContent ?? '').replace(/\s/g, ' ')
  return place.type === 'slot' ? { type: 'text', text } : text
}

/** The site's own path that a relative link leads to: `../about/` → `/about/`; null for links that leave the site. */
export function toSitePath(href: string): string | null {
  const part = /^(?:\.\.?\/)+((?:[a-z0-9-]+\/)*)$/.exec(href)
  return part ? `/${part[1] ?? ''}` : null
}
