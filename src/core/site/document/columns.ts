import { memoBy } from '../../memo'
import { columnPart, SIDES, type ColumnWidth, type Side } from './column'
import { lineOf, ownColumn, sectionsIn, type SiteDocument } from './document'
import type { PageId } from './ids'
import { roleOf } from './one-page'
import type { Page } from './page'
import type { Section, SectionIn } from './section'

/** A column as a page shows it: whose it is (null: the whole site's), how wide, and the place that its sections stand in. */
export type ShownColumn = { readonly of: PageId | null; readonly width: ColumnWidth; readonly place: SectionIn }

/** The column at a side of a page: its own, else that of the nearest page above whose column reaches down, else the whole site's. */
export function columnAt(document: SiteDocument, page: Page, side: Side): ShownColumn | null {
  const part = columnPart(side)
  const above = lineOf(document, page).toReversed()
  const owner = above.find((one) => one[part] !== undefined && (one.id === page.id || one[part]?.under))
  const column = owner ? owner[part] : document.plan[part]
  if (column === undefined || column.width === 'none') return null
  const of = owner?.id ?? null
  return { of, width: column.width, place: { type: 'side', side, page: of } }
}

/** What stands at the sides of a page to visitors. A part of the one page shows the columns of the page that it is a part of: none here. */
export function columnsOf(document: SiteDocument, page: Page): Readonly<Record<Side, ShownColumn | null>> {
  if (!hasColumns(document) || roleOf(document, page) === 'part') return NONE
  return { start: columnAt(document, page, 'start'), end: columnAt(document, page, 'end') }
}
const NONE = { start: null, end: null }

/** The sections of a column. */
export function sectionsInColumn(document: SiteDocument, column: ShownColumn | null): readonly Section[] {
  return column ? sectionsIn(document, column.place) : NOBODY
}
const NOBODY: readonly Section[] = []

/** Whether any page of a site has a column at its side. */
export const hasColumns = memoBy(
  ({ pages, plan }: Pick<SiteDocument, 'pages' | 'plan'>) => [pages, plan],
  (document) => [null, ...(Object.keys(document.pages) as PageId[])].some((id) => SIDES.some((side) => ownColumn(document, id, side))),
)

/** Of how many pages a column is a part. */
export function pagesWithColumn(document: SiteDocument, pages: readonly Page[], of: PageId | null, side: Side): number {
  return pages.filter((page) => {
    const column = columnAt(document, page, side)
    return column !== null && column.of === of
  }).length
}
