import { allOf, mapParts, type Site } from '@/core/fill'
import { asDesigned, makeSheetPainter, withOnly, type DrawnPage, type DrawnSection } from '@/core/render'
import type { Page } from '@/core/site'
import { designedLines } from './designed-lines'
import { SheetView } from './sheet-view'
import { unseenFrame } from './unseen-frame'
import { SHEETS, type LineFit, type SheetName } from './widths'

/** Lines by place, of one section, on each sheet. */
type Read = ReadonlyMap<SheetName, ReadonlyMap<string, number>>
/** The most sections that are remembered: more than the largest site has. */
const MOST_READ = 6000
/** How many sections are laid out in one go: more would keep the screen waiting. */
const AT_ONCE = 6
/** What stands for a section's own name, so that two that are the same but for it are read once. */
const SELF = '\u0000'

/**
 * Reads how many lines every text of a page takes on each sheet, beside those designed, on a page that nobody sees. A section that stays
 * the same is read once; the screen goes on between one width and the next.
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
    const missing = [...new Map(allOf(drawn).map((section) => [bare(section), section]))].flatMap(([html, section]) =>
      this.read.has(html) ? [] : [section],
    )
    // Beside a column a section has another width than alone.
    const isWhole = drawn.columns.start !== null || drawn.columns.end !== null
    const step = isWhole ? Math.max(missing.length, 1) : AT_ONCE
    for (let i = 0; i < missing.length; i += step) {
      const some = missing.slice(i, i + step)
      if (!(await this.readSome({ ...(isWhole ? drawn : withOnly(drawn, some)), page: `${drawn.page} ${name} ${i}` }, some, isOver)))
        return false
    }
    return true
  }

  private async readSome(shown: DrawnPage, sections: readonly DrawnSection[], isOver: () => boolean): Promise<boolean> {
    const lines = new Map(sections.map((section) => [section, new Map<SheetName, ReadonlyMap<string, number>>()]))
    this.frame.style.width = `${SHEETS[0].width}px`
    this.view.show(withoutPictures(shown))
    for (const { name: sheet, width } of SHEETS) {
      await pause()
      if (isOver()) return false
      this.frame.style.width = `${width}px`
      await this.view.fontsReady()
      for (const [{ id }, found] of lines) {
        const counted = [...this.view.measure([id])].map(([key, count]) => [key.replaceAll(id, SELF), count] as const)
        found.set(sheet, new Map(counted))
      }
    }
    if (this.read.size > MOST_READ) this.read.clear()
    for (const [section, found] of lines) this.read.set(bare(section), found)
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
    return new Map(
      sections.flatMap((section) =>
        [...(this.read.get(bare(section))?.get(sheet) ?? [])].map(([key, count]) => [key.replaceAll(SELF, section.id), count] as const),
      ),
    )
  }
}

/** The same page whose pictures are not fetched: they have their size all the same. */
function withoutPictures(page: DrawnPage): DrawnPage {
  const still = (section: DrawnSection): DrawnSection => ({ ...section, html: section.html.replaceAll('<img', '<img loading="lazy"') })
  return { ...page, ...mapParts(page, still) }
}

const bareOf = new WeakMap<DrawnSection, string>()

/** A section's HTML without its own name. */
function bare(section: DrawnSection): string {
  let html = bareOf.get(section)
  if (html === undefined) bareOf.set(section, (html = section.html.replaceAll(section.id, SELF)))
  return html
}

function sameStyles(a: DrawnPage['styles'] | null, b: DrawnPage['styles']): boolean {
  return a?.fonts === b.fonts && a.tokens === b.tokens && a.designs === b.designs
}

function pause(): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve))
}
