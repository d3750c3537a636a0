import { LRUCache } from 'lru-cache'
import { allOf, type Site } from '@/core/fill'
import { memoOf } from '@/core/memo'
import { asDesigned, columnsClass, isInColumns, makeSheetPainter, withOnly, type DrawnPage, type DrawnSection } from '@/core/render'
import type { Page, PageId } from '@/core/site'
import { designedLines } from './designed-lines'
import { SheetView } from './sheet-view'
import { inBackground } from '../parts/turns'
import { unseenFrame } from './unseen-frame'
import { SHEETS, type LineFit, type SheetName } from './widths'

/** Lines by place, of one section, on each sheet. */
type Read = ReadonlyMap<SheetName, ReadonlyMap<string, number>>
/** A page as it is now, and as the template was designed. */
type Drawn = { readonly now: DrawnPage; readonly designed: DrawnPage }
/** What is laid out in one go: what is shown, and the sections to be read there, each without its own name, by the name it has there. */
type Turn = { readonly shown: DrawnPage; readonly asked: ReadonlyMap<string, string> }

/** How many sections are laid out in one go: more would keep the screen waiting. */
const AT_ONCE = 6
/**
 * What was read of late, of whatever site: whoever comes back to a screen, takes a colour back or opens the next job on the same template
 * waits for nothing. By style sheets and HTML, of so many letters in all.
 */
const readOfLate = new LRUCache<string, Read>({ maxSize: 10_000_000, sizeCalculation: (_, html) => html.length })
/** A short name for each set of style sheets. */
const stylesOfLate = new LRUCache<string, string>({ max: 24 })
let stylesNamed = 0

/** What stands for a section's own name, so that two that are the same but for it are read once. */
const SELF = '\u0000'

/**
 * Reads how many lines every text of a site takes on each sheet, beside those designed, on a page that nobody sees. A section that stays
 * the same is read once; the screen goes on between one width and the next.
 */
export class LineBook {
  private readonly frame = unseenFrame('Pages, measured')
  private readonly view = new SheetView(this.frame, null)
  private readonly paint = makeSheetPainter()
  private readonly paintDesigned = makeSheetPainter()
  private readonly read = new Map<string, Read>()
  private styles: DrawnPage['styles'] | null = null
  private stylesName = ''
  private widths: readonly (typeof SHEETS)[number][] = SHEETS

  /** Lines by place, of each page; null where `isOver` came to be true meanwhile. */
  async readPages(
    site: Site,
    pages: readonly Page[],
    isOver: () => boolean,
  ): Promise<ReadonlyMap<PageId, ReadonlyMap<string, LineFit>> | null> {
    const drawn = new Map<PageId, Drawn>()
    const measured: Site = { ...site, isMeasured: true }
    const plain = asDesigned(site)
    for (const page of pages) {
      await inBackground()
      if (isOver()) return null
      drawn.set(page.id, { now: this.paint(measured, page), designed: this.paintDesigned(plain, page) })
    }
    const styles = [...drawn.values()][0]?.now.styles ?? null
    if (!styles || !sameStyles(this.styles, styles)) this.read.clear()
    this.styles = styles
    this.stylesName = styles ? nameOf(styles) : ''
    const all = [...drawn.values()].flatMap(({ now, designed }) => [now, designed])
    for (const turn of this.turns(all)) if (!(await this.readTurn(turn, isOver))) return null
    // What the site does not show any more is forgotten.
    const shown = new Set(all.flatMap((page) => allOf(page).map((one) => bare(page, one))))
    for (const html of this.read.keys()) if (!shown.has(html)) this.read.delete(html)
    return new Map([...drawn].map(([page, { now, designed }]) => [page, this.compare(now, designed)]))
  }

  close(): void {
    this.frame.remove()
  }

  /**
   * What has not been read yet, laid out a few at a time: with others of one style sheet, those of one design after one another, so that
   * from one turn to the next little but words changes.
   */
  private turns(drawn: readonly DrawnPage[]): readonly Turn[] {
    const turns: Turn[] = []
    const missing: { readonly like: DrawnPage; readonly sections: Map<string, string> }[] = []
    for (const page of drawn) {
      const sections = new Map(allOf(page).flatMap((one) => (this.isRead(bare(page, one)) ? [] : [[bare(page, one), one.id] as const])))
      if (sections.size === 0) continue
      // Beside a column a section has another width than alone.
      if (isInColumns(page)) turns.push({ shown: { ...page, page: `${page.page} ${turns.length}` }, asked: sections })
      else {
        const known = missing.find(({ like }) => sameStyles(like.styles, page.styles))
        if (known) sections.forEach((id, html) => known.sections.set(html, id))
        else missing.push({ like: page, sections })
      }
    }
    return [...turns, ...missing.flatMap(({ like, sections }) => inParts(like, [...sections.keys()].sort(byDesign)))]
  }

  private isRead(html: string): boolean {
    const found = this.read.get(html) ?? readOfLate.get(this.stylesName + html)
    if (found) this.read.set(html, found)
    return found !== undefined
  }

  private async readTurn({ shown, asked }: Turn, isOver: () => boolean): Promise<boolean> {
    const lines = new Map([...asked.keys()].map((html) => [html, new Map<SheetName, ReadonlyMap<string, number>>()]))
    await inBackground()
    if (isOver()) return false
    this.view.show(shown)
    for (const { name: sheet, width } of this.widths) {
      await inBackground()
      if (isOver()) return false
      this.frame.style.width = `${width}px`
      await this.view.fontsReady()
      for (const [html, id] of asked) {
        const counted = [...this.view.measure([id])].map(([key, count]) => [key.replaceAll(id, SELF), count] as const)
        lines.get(html)?.set(sheet, new Map(counted))
      }
    }
    // The next turn begins at the width that this one ended at.
    this.widths = this.widths.toReversed()
    for (const [html, found] of lines) {
      this.read.set(html, found)
      readOfLate.set(this.stylesName + html, found)
    }
    return true
  }

  private compare(now: DrawnPage, designed: DrawnPage): ReadonlyMap<string, LineFit> {
    const places = new Map(allOf(now).flatMap((section) => [...section.places]))
    const fits = new Map<string, LineFit>()
    for (const { name } of SHEETS) {
      const counted = this.linesOf(now, name)
      const wanted = designedLines(this.linesOf(designed, name), counted, places)
      for (const [key, lines] of counted) fits.set(key, { ...fits.get(key), [name]: { now: lines, designed: wanted.get(key) ?? 0 } })
    }
    return fits
  }

  private linesOf(page: DrawnPage, sheet: SheetName): ReadonlyMap<string, number> {
    return new Map(
      allOf(page).flatMap((section) =>
        [...(this.read.get(bare(page, section))?.get(sheet) ?? [])].map(
          ([key, count]) => [key.replaceAll(SELF, section.id), count] as const,
        ),
      ),
    )
  }
}

function nameOf({ fonts, tokens, designs }: DrawnPage['styles']): string {
  const css = `${fonts}${SELF}${tokens}${SELF}${designs}`
  const known = stylesOfLate.get(css)
  if (known !== undefined) return known
  const name = `${++stylesNamed} `
  stylesOfLate.set(css, name)
  return name
}

/** A section's HTML without its own name; beside a column it has another width than alone. */
function bare(page: DrawnPage, section: DrawnSection): string {
  const html = bareOf(section)
  return isInColumns(page) ? `${columnsClass(page)} ${html}` : html
}

const bareOf = memoOf(({ id, html }: DrawnSection) => html.replaceAll(id, SELF))

/** Sections without their own names, a few at a time and across the page. */
function inParts(like: DrawnPage, sections: readonly string[]): Turn[] {
  return Array.from({ length: Math.ceil(sections.length / AT_ONCE) }, (_, turn) => {
    const asked = new Map(sections.slice(turn * AT_ONCE, (turn + 1) * AT_ONCE).map((html, i) => [html, `part${i}`]))
    const parts = [...asked].map(([html, id]): DrawnSection => ({ id, html: html.replaceAll(SELF, id), places: new Map() }))
    return { shown: { ...withOnly(like, parts), page: 'Parts' }, asked }
  })
}

/** In order of their own tags, which say what design they have. */
function byDesign(a: string, b: string): number {
  return openingOf(a) < openingOf(b) ? -1 : 1
}

function openingOf(html: string): string {
  return html.slice(0, html.indexOf('>'))
}

function sameStyles(a: DrawnPage['styles'] | null, b: DrawnPage['styles']): boolean {
  return a?.fonts === b.fonts && a.tokens === b.tokens && a.designs === b.designs
}
