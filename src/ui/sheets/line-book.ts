import { allOf, type Site } from '@/core/fill'
import { asDesigned, makeSheetPainter, withOnly, type DrawnPage, type DrawnSection } from '@/core/render'
import type { Page } from '@/core/site'
import { designedLines } from './designed-lines'
import { SheetView } from './sheet-view'
import { unseenFrame } from './unseen-frame'
import { SHEETS, type LineFit, type SheetName } from './widths'

/** Lines by place, of one section, on each sheet. */
type Read = ReadonlyMap<SheetName, ReadonlyMap<string, number>>
/** The most sections that are remembered: more than the largest site has, and twice, since each is read as designed too. */
const MOST_READ = 6000

/**
 * Reads how many lines every text of a page takes on each sheet, beside those designed, on a page that nobody sees. A section that stays the
 * same is read once; the screen goes on between one width and the next.
 */
export class LineBook {
  private readonly frame = unseenFrame('Pages, measured')
  private readonly view = new SheetView(this.frame, null)
  private readonly paint = makeSheetPainter()
  private readonly paintDesigned = makeSheetPainter()
  private readonly read = new Map<string, Read>()
  private styles: DrawnPage['styles'] | null = null

  /** Lines by place; null where `isOver` came to be true meanwhile. */
  async readPage(site: Site, page: Page, isOver: () => boolean): Promise<ReadonlyMap<string, LineFit> | null> {
    const plain = asDesigned(site, page)
    const [now, designed] = [this.paint(site, page), this.paintDesigned(plain.site, plain.page)]
    if (!sameStyles(this.styles, now.styles)) this.read.clear()
    this.styles = now.styles
    for (const [drawn, name] of [
      [now, 'now'],
      [designed, 'designed'],
    ] as const)
      if (!(await this.readDrawn(drawn, name, isOver))) return null
    return this.compare(now, designed)
  }

  close(): void {
    this.frame.remove()
  }

  private async readDrawn(drawn: DrawnPage, name: string, isOver: () => boolean): Promise<boolean> {
    const missing = allOf(drawn).filter(({ html }) => !this.read.has(html))
    if (missing.length === 0) return true
    // Beside a column a section has another width than alone.
    const shown = drawn.columns.start || drawn.columns.end ? drawn : withOnly(drawn, missing)
    this.frame.style.width = `${SHEETS[0].width}px`
    this.view.show({ ...shown, page: `${drawn.page} ${name}` })
    const lines = new Map(missing.map((section) => [section, new Map<SheetName, ReadonlyMap<string, number>>()]))
    for (const { name: sheet, width } of SHEETS) {
      await pause()
      if (isOver()) return false
      this.frame.style.width = `${width}px`
      await this.view.fontsReady()
      for (const [section, found] of lines) found.set(sheet, this.view.measure([section.id]))
    }
    if (this.read.size > MOST_READ) this.read.clear()
    for (const [{ html }, found] of lines) this.read.set(html, found)
    return true
  }

  private compare(now: DrawnPage, designed: DrawnPage): ReadonlyMap<string, LineFit> {
    const places = new Map(allOf(now).flatMap((section) => [...section.places]))
    const fits = new Map<string, LineFit>()
    for (const { name } of SHEETS) {
      const counted = this.linesOf(allOf(now), name)
      const wanted = designedLines(this.linesOf(allOf(designed), name), counted, places)
      for (const [key, lines] of counted) fits.set(key, { ...fits.get(key), [name]: { now: lines, designed: wanted.get(key) ?? 0 } })
    }
    return fits
  }

  private linesOf(sections: readonly DrawnSection[], sheet: SheetName): ReadonlyMap<string, number> {
    return new Map(sections.flatMap(({ html }) => [...(this.read.get(html)?.get(sheet) ?? [])]))
  }
}

function sameStyles(a: DrawnPage['styles'] | null, b: DrawnPage['styles']): boolean {
  return a?.fonts === b.fonts && a.tokens === b.tokens && a.designs === b.designs
}

function pause(): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve))
}
