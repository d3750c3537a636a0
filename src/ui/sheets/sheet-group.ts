import { roleOf, sectionsOn, type Page, type Place, type SectionId } from '@/core/site'
import { allOf, typingIn, type Site, type Typing } from '@/core/fill'
import { asDesigned, makeSheetPainter, type DrawnPage, type MarkedPlace } from '@/core/render'
import type { WordEditor } from '../words/word-editor'
import { designedLines } from './designed-lines'
import type { SheetEvents } from './sheet-hands'
import type { SectionEvents } from './section-hands'
import { SheetView } from './sheet-view'
import { afterPaint } from '../parts/turns'
import type { SheetName } from './widths'

/** Where the sheets get their page from; they draw again each time it says so. */
export type SheetSource = {
  readonly current: () => { readonly site: Site; readonly page: Page }
  readonly subscribe: (onChange: () => void) => () => void
}
/** Lines by place on one sheet: as they are now, and as the template was designed. */
export type SheetFit = { readonly now: ReadonlyMap<string, number>; readonly designed: ReadonlyMap<string, number> }

/** What hands do on the sheets that the sheets do not settle among themselves. */
export type HandEvents = Omit<SheetEvents, 'onScroll' | 'onTyping' | 'onWords'> & {
  /** The words that are typed in on a sheet, or none. */
  readonly onWords: (words: WordEditor | null, sheet: SheetName) => void
}

/** What whoever shows the sheets wants to hear of; asked for anew each time, since it changes as the screen is drawn. */
export type GroupHandlers = () => {
  readonly events: HandEvents | null
  readonly onGo?: ((path: string) => void) | undefined
  /** Where nothing is typed: sections are chosen and dragged. */
  readonly sections?: SectionEvents | undefined
  readonly onFit?: ((sheet: SheetName, fit: SheetFit) => void) | undefined
}

const NO_LINES: ReadonlyMap<string, number> = new Map()

/** Several sheets of one page: drawn together, measured, and scrolled along with the one that a hand is on. */
export class SheetGroup {
  private readonly views = new Map<SheetName, SheetView>()
  private readonly paint = makeSheetPainter()
  private readonly paintDesigned = makeSheetPainter()
  private readonly lines = new Map<SheetName, ReadonlyMap<string, number>>()
  private readonly designed = new Map<SheetName, ReadonlyMap<string, number>>()
  private places: ReadonlyMap<string, MarkedPlace> = new Map()
  /** The sections that were drawn anew and whose lines are not counted yet. */
  private readonly unmeasured = new Map<SheetName, ReadonlySet<string>>()
  private measuredPage = ''
  private typing: Typing | null = null

  constructor(
    frames: ReadonlyMap<SheetName, HTMLIFrameElement>,
    private readonly source: SheetSource,
    private readonly handlers: GroupHandlers,
  ) {
    for (const [name, frame] of frames) this.views.set(name, this.viewOf(name, frame))
  }

  private viewOf(name: SheetName, frame: HTMLIFrameElement): SheetView {
    const onGo = (path: string): void => this.handlers().onGo?.(path)
    return new SheetView(frame, this.eventsOf(name), onGo, () => this.handlers().sections)
  }

  /** Draws, and draws again whenever the source says so, until that fails; returns what stops it. */
  start(onFault: (fault: unknown) => void): () => void {
    this.draw()
    const stop = this.source.subscribe(() => {
      try {
        this.draw()
      } catch (fault) {
        stop()
        onFault(fault)
      }
    })
    return stop
  }

  hold(place: Place | null): void {
    this.views.forEach((view) => view.hold(place))
  }

  holdSection(section: SectionId | null): void {
    this.views.forEach((view) => view.holdSection(section))
  }

  private setTyping(place: Place | null): void {
    this.typing = place && typingIn(place)
    this.draw()
  }

  /** The sheet that a hand is on takes the others along; null where none is. */
  lead(name: SheetName | null): void {
    this.views.forEach((view, other) => view.setLeader(other === name))
  }

  private eventsOf(name: SheetName): SheetEvents | null {
    if (!this.handlers().events) return null
    return {
      onPick: (place) => this.handlers().events?.onPick(place),
      onType: (place, value) => this.handlers().events?.onType(place, value),
      onPicture: (place, file) => this.handlers().events?.onPicture(place, file),
      onGo: (path) => this.handlers().events?.onGo(path),
      onCommand: (command) => this.handlers().events?.onCommand(command),
      richAt: (place) => this.handlers().events?.richAt(place) ?? null,
      openWords: (place, element) => this.handlers().events?.openWords(place, element) ?? null,
      onWords: (words) => this.handlers().events?.onWords(words, name),
      onScroll: (section, share) => this.views.forEach((view, other) => other !== name && view.scrollTo(section, share)),
      onTyping: (place) => this.setTyping(place),
    }
  }

  private draw(): void {
    const { site, page } = this.source.current()
    const frame = this.paint(site, page, this.typing)
    this.places = new Map(allOf(frame).flatMap((s) => [...s.places]))
    const changed = new Map([...this.views].map(([name, view]) => [name, view.show(frame)] as const))
    if (page.id !== this.measuredPage) {
      this.comeTo(site, page)
      this.measuredPage = page.id
      return this.measureDesigned(site, page)
    }
    for (const [name, ids] of changed) if (ids.length > 0) this.measureSoon(name, ids)
  }

  /** Lines are counted once the words are seen: whoever types waits for their letters, not for the count. */
  private measureSoon(name: SheetName, sections: readonly string[]): void {
    const isAsked = this.unmeasured.size > 0
    this.unmeasured.set(name, new Set([...(this.unmeasured.get(name) ?? []), ...sections]))
    if (isAsked) return
    afterPaint(() => {
      const asked = [...this.unmeasured]
      this.unmeasured.clear()
      for (const [sheet, ids] of asked) this.measure(sheet, [...ids], false)
    })
  }

  /** Of a site of one page the part that is asked for comes into sight. */
  private comeTo({ document }: Site, page: Page): void {
    if (!document.plan.onePage) return
    const first = roleOf(document, page) === 'part' ? (sectionsOn(document, page.id)[0]?.id ?? null) : null
    this.views.forEach((view) => view.comeTo(first))
  }

  private measureDesigned(site: Site, page: Page): void {
    if (!this.handlers().onFit) return
    const frame: DrawnPage = this.paintDesigned(asDesigned(site), page)
    const sections = allOf(frame).map((s) => s.id)
    this.views.forEach((view, name) => {
      void view.fontsReady().then(() => {
        this.designed.set(name, view.measureDesign(frame))
        this.measure(name, sections, true)
      })
    })
  }

  private measure(name: SheetName, sections: readonly string[], anew: boolean): void {
    const view = this.views.get(name)
    const { onFit } = this.handlers()
    if (!view || !onFit) return
    // A place that is not drawn any more has no lines.
    const before = [...(anew ? [] : (this.lines.get(name) ?? []))].filter(([key]) => this.places.has(key))
    const now = new Map([...before, ...view.measure(sections)])
    this.lines.set(name, now)
    onFit(name, { now, designed: designedLines(this.designed.get(name) ?? NO_LINES, now, this.places) })
  }
}
