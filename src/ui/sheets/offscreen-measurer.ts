import { allOf, templateOf, type Site } from '@/core/fill'
import type { Room } from '@/core/lines'
import { findDesign } from '@/core/pack'
import { makeSheetPainter, withOnly } from '@/core/render'
import { findPage, holdKey, homePage, pageOf, shownSection, type Section } from '@/core/site'
import { probeText, type TextProbe } from './probe-text'
import { measureWidths, windowsFor, withEndlessWords } from './measure-widths'
import { SheetView } from './sheet-view'
import { unseenFrame } from './unseen-frame'
import { SHEETS } from './widths'

/** A text to be looked at: the slot of a section, or of the entries of one of its lists (`holdKey`). */
export type Wanted = { readonly section: Section; readonly key: string }

/** A page that nobody sees, in which sections are laid out in the fonts that are published, to see how their words are set. */
export class OffscreenMeasurer {
  private readonly frame = unseenFrame('Sections, measured')
  private readonly view = new SheetView(this.frame, null)
  private readonly paint = makeSheetPainter()

  /** How the words of a text are set; null where its lines cannot be counted in the design that it wears. */
  async probe(site: Site, wanted: Wanted): Promise<TextProbe | null> {
    const element = await this.show(site, wanted)
    const around = element?.closest('[data-section]')
    return element && around ? probeText(this.frame, element, around) : null
  }

  /** The room that the text has in every window in which it is shown, in ascending order. */
  async rooms(site: Site, wanted: Wanted, { isRoom }: TextProbe): Promise<readonly Room[]> {
    const element = await this.show(site, wanted)
    if (!element) return []
    const { kind, design } = shownSection(site.document, wanted.section)
    const css = `${templateOf(site).css}${findDesign(site.pack, kind, design)?.css ?? ''}`
    const measure = (): Promise<readonly Room[]> => measureWidths(this.frame, element, windowsFor(css))
    return isRoom ? measure() : withEndlessWords(element, measure)
  }

  /** Draws one section alone, as it is designed; the element of the text, the first where there are several. */
  private async show(site: Site, { section, key }: Wanted): Promise<HTMLElement | null> {
    const { document } = site
    const on = pageOf(section.in)
    this.frame.style.width = `${SHEETS[0].width}px`
    const whole = this.paint({ ...site, holds: null, isMeasured: true }, (on !== null && findPage(document, on)) || homePage(document))
    const only = allOf(whole).filter(({ id }) => id === section.id)
    this.view.show(withOnly(whole, only))
    const body = this.frame.contentDocument?.body
    // Fonts are asked for once something is laid out in them.
    body?.getBoundingClientRect()
    await this.view.fontsReady()
    const mark = [...(only[0]?.places ?? [])].find(
      ([, { stands }]) => stands.type === 'slot' && holdKey(stands.entry?.list ?? null, stands.slot) === key,
    )
    return (mark && body?.querySelector<HTMLElement>(`[data-place="${CSS.escape(mark[0])}"]`)) ?? null
  }

  close(): void {
    this.frame.remove()
  }
}
