import {
  columnAt,
  columnPart,
  ownColumn,
  sectionsIn,
  type Column,
  type ColumnWidth,
  type EditStep,
  type Page,
  type PageId,
  type SectionIn,
  type Side,
  type SiteDocument,
} from '../site'
import { moveAll } from './sections'

/** The pages that a column is for: the one at whose side it is, those under it too, every page; or it is another's, and reaches here. */
export type ColumnReach = 'page' | 'under' | 'site' | 'other'

/** How far the column reaches that a page shows at a side; null where it shows none. */
export function reachOfColumn(document: SiteDocument, page: Page, side: Side): ColumnReach | null {
  const shown = columnAt(document, page, side)
  if (!shown) return null
  if (shown.of === null) return 'site'
  if (shown.of !== page.id) return 'other'
  return page[columnPart(side)]?.under ? 'under' : 'page'
}

/** The steps that give the column at a side of a page a width, on all pages that show it; a page without one gets one of its own. */
export function setColumnWidth(document: SiteDocument, page: Page, side: Side, width: ColumnWidth): readonly EditStep[] {
  const shown = columnAt(document, page, side)
  const of = shown ? shown.of : page.id
  return [setColumn(of, side, { ...(shown && ownColumn(document, of, side)), width })]
}

/** The step after which a page shows no column at a side. What stood in one of its own stays with it, for when it has one again. */
export function dropColumn(document: SiteDocument, page: Page, side: Side): EditStep {
  const { [columnPart(side)]: _, ...bare } = page
  const around = columnAt({ ...document, pages: { ...document.pages, [page.id]: bare } }, bare, side)
  return setColumn(page.id, side, around ? { width: 'none' } : null)
}

/** The steps that let a column of a page's own, or of the whole site, reach as far as is asked; what stands in it goes along. */
export function setColumnReach(document: SiteDocument, page: Page, side: Side, reach: 'page' | 'under' | 'site'): readonly EditStep[] {
  const shown = columnAt(document, page, side)
  const to = reach === 'site' ? null : page.id
  const column: Column = { width: shown?.width ?? 'medium', ...(reach === 'under' ? { under: true } : {}) }
  if (shown?.of === to) return [setColumn(to, side, column)]
  const cleared = shown ? [setColumn(shown.of, side, null)] : [setColumn(page.id, side, null)]
  const place = (of: PageId | null): SectionIn => ({ type: 'side', side, page: of })
  const moved = shown ? sectionsIn(document, shown.place).map(({ id }) => id) : []
  const after = sectionsIn(document, place(to)).at(-1)?.id ?? null
  return [...cleared, setColumn(to, side, column), ...moveAll(document, moved, { in: place(to), after })]
}

function setColumn(of: PageId | null, side: Side, value: Column | null): EditStep {
  const part = columnPart(side)
  return of === null ? { type: 'plan/set', part, value } : { type: 'page/set', page: of, part, value }
}
