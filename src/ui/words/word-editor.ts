import { Editor } from '@tiptap/core'
import { Slice, type Node } from '@tiptap/pm/model'
import { TextSelection } from '@tiptap/pm/state'
import { asAllowed, finishRich, fitRich, plainFromRich, richFromPlain, type Allowed } from '@/core/rich'
import { isSame, type ChipFact, type LinkTarget, type RichText } from '@/core/site'
import { wordExtensions } from './extensions'
import { pasteableHtml, richFromPasted } from './pasted'
import { documentOfRich, richOfDocument } from './rich-document'
import { keyPressed } from '../keys/pressed'

export type WordSettings = {
  /** The element that is typed in; it is given back empty. */
  readonly element: HTMLElement
  readonly rich: RichText
  readonly allowed: Allowed
  /** What a screen reader calls the place. */
  readonly label: string
  /** The site's language, for spelling. */
  readonly language: string
  readonly chip: (fact: ChipFact) => string
  readonly onChange: (rich: RichText) => void
  /** Words are about to lead somewhere: what that takes is done first, in the gesture of the words. */
  readonly onTarget: (to: LinkTarget) => void
  /** So many words of what was pasted had no room. */
  readonly onLeft: (words: number) => void
}

/** One rich text being typed in, on a sheet or in the ledger: the kit, holding our own value. */
export class WordEditor {
  readonly editor: Editor
  /** The value as it was last given out or taken in. */
  private known: RichText
  /** Opens what leads words somewhere. */
  onLink: (() => void) | null = null
  /** The element's own attributes. */
  private readonly bare: readonly (readonly [name: string, value: string])[]
  private goToBar: (() => void) | null = null

  constructor(private readonly settings: WordSettings) {
    const { element, rich, allowed, chip } = settings
    this.known = rich
    this.bare = [...element.attributes].map(({ name, value }) => [name, value] as const)
    this.editor = new Editor({
      element: { mount: element },
      content: documentOfRich(asAllowed(rich, allowed)),
      extensions: wordExtensions(allowed, { chip }),
      injectCSS: false,
      enableInputRules: false,
      enablePasteRules: false,
      editorProps: {
        handleKeyDown: (_, event) => this.key(event),
        // Ctrl+Enter goes on to the next place: that is whoever's who shows the words.
        handleDOMEvents: { keydown: (_, event) => event.key === 'Enter' && (event.ctrlKey || event.metaKey) },
        attributes: { 'aria-label': settings.label, 'aria-multiline': 'true', lang: settings.language, spellcheck: 'true' },
        transformPastedHTML: (html) => pasteableHtml(this.fitted(richFromPasted(html, allowed)), (fact) => chip(fact as ChipFact)),
        clipboardTextParser: (text) => this.sliceOf(this.fitted(fitRich(richFromPlain(text), allowed))),
        clipboardTextSerializer: (slice) => this.plainOf(slice),
      },
      onUpdate: () => this.tell(richOfDocument(this.editor.state.doc)),
    })
  }

  /** Tells that words are about to lead somewhere. */
  aim(to: LinkTarget): void {
    this.settings.onTarget(to)
  }

  get allowed(): Allowed {
    return this.settings.allowed
  }

  /** Puts the hand back into the words, where its caret was; one that is there already is left where it is by now. */
  focus(): void {
    const { ownerDocument } = this.element
    if (ownerDocument.hasFocus() && this.editor.view.hasFocus()) return
    // The frame first: words in a frame that is not in hand take no focus.
    ownerDocument.defaultView?.focus()
    // At once: the kit's own command does it a frame later, when the hand may be elsewhere.
    this.editor.view.focus()
  }

  /** Where the chosen words are seen in the window, in px; of those that reach out of a sheet, what is seen of them. */
  chosenAt(): DOMRect {
    const { view, state } = this.editor
    const [from, to] = [view.coordsAtPos(state.selection.from), view.coordsAtPos(state.selection.to, -1)]
    const [left, top] = [Math.min(from.left, to.left), Math.min(from.top, to.top)]
    const seen = seenIn(this.element.ownerDocument)
    const [x, y] = [seen.toWindow(left, 'x'), seen.toWindow(top, 'y')]
    return new DOMRect(
      x,
      y,
      seen.toWindow(Math.max(from.right, to.right), 'x') - x,
      Math.max(0, seen.toWindow(Math.max(from.bottom, to.bottom), 'y') - y),
    )
  }

  /** Puts the caret behind the last letter, where whoever comes by a key goes on. */
  toEnd(): void {
    const { view } = this.editor
    view.dispatch(view.state.tr.setSelection(TextSelection.atEnd(view.state.doc)))
    view.focus()
  }

  /** Comes back to where the caret was, before the first key does: the browser has put its own at the beginning meanwhile. */
  resume(): void {
    this.editor.view.focus()
  }

  /** Whoever shows the bar of these words says how a key goes there. */
  onBar(go: () => void): () => void {
    this.goToBar = go
    return () => void (this.goToBar = null)
  }

  get element(): HTMLElement {
    return this.settings.element
  }

  private key(event: KeyboardEvent): boolean {
    const name = keyPressed(event, ['wordBar', 'link'])
    if (name) this.readSelection()
    if (name === 'wordBar' && this.goToBar) this.goToBar()
    else if (name === 'link' && this.onLink) this.onLink()
    else return false
    event.preventDefault()
    return true
  }

  /** A browser tells of a new selection a moment later; where the hand leaves the words before that, it is read at once. */
  private readSelection(): void {
    const { view } = this.editor
    const selection = view.dom.ownerDocument.getSelection()
    const { anchorNode, focusNode } = selection ?? {}
    if (!selection || !anchorNode || !focusNode || !view.dom.contains(anchorNode) || !view.dom.contains(focusNode)) return
    const anchor = view.posAtDOM(anchorNode, selection.anchorOffset)
    const head = view.posAtDOM(focusNode, selection.focusOffset)
    const { doc, selection: before, tr } = view.state
    if (before.anchor !== anchor || before.head !== head)
      view.dispatch(tr.setSelection(TextSelection.between(doc.resolve(anchor), doc.resolve(head))))
  }

  private fitted({ rich, left }: ReturnType<typeof fitRich>): RichText {
    if (left > 0) this.settings.onLeft(left)
    return rich
  }

  private documentOf(rich: RichText): Node {
    return this.editor.schema.nodeFromJSON(documentOfRich(asAllowed(rich, this.settings.allowed)))
  }

  private sliceOf(rich: RichText): Slice {
    return Slice.maxOpen(this.documentOf(rich).content)
  }

  private plainOf({ content, openStart }: Slice): string {
    // Words out of the middle of one paragraph have no bullet.
    if (openStart > 0 && content.childCount === 1) return content.textBetween(0, content.size, '\n', (leaf) => this.leafWords(leaf))
    const { doc } = this.editor.schema.nodes
    const whole = doc?.createAndFill(null, content)
    return whole ? plainFromRich(richOfDocument(whole), (fact) => this.settings.chip(fact as ChipFact)) : ''
  }

  private leafWords({ type, attrs }: Node): string {
    return type.name === 'chip' ? this.settings.chip(attrs.fact) : '\n'
  }

  private tell(rich: RichText): void {
    this.known = rich
    this.settings.onChange(rich)
  }

  /** What stands there now by another hand, or by undo: what differs is changed, and the caret stays in its words. */
  take(rich: RichText): void {
    if (rich === this.known || this.editor.view.composing) return
    const wasKnown = isSame(rich, this.known)
    this.known = rich
    if (wasKnown) return
    const { state, view } = this.editor
    const next = this.documentOf(rich)
    const start = state.doc.content.findDiffStart(next.content)
    const end = state.doc.content.findDiffEnd(next.content)
    if (start === null || !end) return
    const over = Math.max(0, start - Math.min(end.a, end.b))
    view.dispatch(state.tr.replace(start, end.a + over, next.slice(start, end.b + over)).setMeta('preventUpdate', true))
  }

  /** Ends typing: spaces and lines that say nothing go, and the element is as it was, but empty. */
  close(): void {
    const finished = finishRich(this.known)
    if (!isSame(finished, this.known)) this.tell(finished)
    this.editor.destroy()
    const { element } = this
    for (const name of element.getAttributeNames()) element.removeAttribute(name)
    for (const [name, value] of this.bare) element.setAttribute(name, value)
  }
}

/** How places in a sheet are told in the window: a sheet is drawn smaller or larger than it is, and what is beside it is at its edge. */
function seenIn({ defaultView, documentElement }: Document): { readonly toWindow: (at: number, along: 'x' | 'y') => number } {
  const frame = defaultView?.frameElement
  const { left, right, top, bottom } =
    frame?.getBoundingClientRect() ?? new DOMRect(0, 0, documentElement.clientWidth, documentElement.clientHeight)
  const scale = frame instanceof HTMLElement && frame.offsetWidth > 0 ? (right - left) / frame.offsetWidth : 1
  return {
    toWindow: (at, along) => {
      const [least, most] = along === 'x' ? [left, right] : [top, Math.min(bottom, window.innerHeight)]
      return Math.min(most, Math.max(least, least + at * scale))
    },
  }
}
