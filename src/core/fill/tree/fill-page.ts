import {
  columnsOf,
  partsOf,
  roleOf,
  sectionsIn,
  sectionsInColumn,
  sectionsOn,
  standsOn,
  type ColumnWidth,
  type Page,
  type Section,
  type Side,
  type SiteDocument,
} from '../../site'
import { NOT_FOUND } from '../page-texts'
import type { Site } from '../site'
import { fillSection } from './fill-section'
import type { PageScope } from './page-scope'
import type { FilledSection } from './tree'

/** The parts of a page in the order in which they are read. */
export const PARTS = ['header', 'head', 'main', 'start', 'end', 'footer'] as const
export type PartName = (typeof PARTS)[number]

/**
 * A page whole: what stands at the head of every page; where it has columns at its sides, what goes over them; its own sections; those of
 * the columns; and what stands at the foot of every page.
 */
export type PageParts<T> = Readonly<Record<PartName, readonly T[]>> & {
  /** How wide the column on each side is; null where there is none. */
  readonly columns: Readonly<Record<Side, ColumnWidth | null>>
}

/** Kinds of section that open a page: they go across it, over its columns. */
const OPENING = new Set<Section['kind']>(['hero', 'title'])

/** The sections of a page, and of those that are parts of it; of none, those of the page for wrong addresses. */
export function pageSections({ document }: Site, page: Page | null): PageParts<Section> {
  const own = page !== null && page.id !== NOT_FOUND ? page : null
  const shown = own && columnsOf(document, own)
  const side = (of: Side): readonly Section[] => sectionsInColumn(document, shown?.[of] ?? null)
  const [start, end] = [side('start'), side('end')]
  const widthOf = (of: Side, sections: readonly Section[]): ColumnWidth | null =>
    sections.some(({ hidden }) => !hidden) ? (shown?.[of]?.width ?? null) : null
  const columns = { start: widthOf('start', start), end: widthOf('end', end) }
  const all = own ? ownSections(document, own) : sectionsIn(document, { type: 'notFound' })
  const opening = columns.start || columns.end ? all.findIndex(({ kind }) => !OPENING.has(kind)) : 0
  const head = all.slice(0, opening < 0 ? all.length : opening)
  return {
    header: sectionsIn(document, { type: 'header' }),
    head,
    main: head.length === 0 ? all : all.slice(head.length),
    start,
    end,
    footer: sectionsIn(document, { type: 'footer' }),
    columns,
  }
}

function ownSections(document: SiteDocument, page: Page): readonly Section[] {
  if (!document.plan.onePage || roleOf(document, page) === 'page') return sectionsOn(document, page.id)
  return [standsOn(document, page), ...partsOf(document)].flatMap((one) => sectionsOn(document, one.id))
}

/** A page of other things in the same parts. */
export function mapParts<A, B>(of: PageParts<A>, to: (one: A) => B): PageParts<B> {
  const { header, head, main, start, end, footer, columns } = of
  return {
    header: header.map(to),
    head: head.map(to),
    main: main.map(to),
    start: start.map(to),
    end: end.map(to),
    footer: footer.map(to),
    columns,
  }
}

/** All that stands on a page, in the order in which it is read. */
export function allOf<T>(of: PageParts<T>): readonly T[] {
  return PARTS.flatMap((part) => of[part])
}

/** A page to be filled: of a part of another, the page that it stands on. */
export function scopeOf(site: Site, asked: Page | null): PageScope {
  return { site, page: asked && asked.id !== NOT_FOUND ? standsOn(site.document, asked) : asked }
}

export function fillPage(site: Site, asked: Page | null): PageParts<FilledSection> {
  const scope = scopeOf(site, asked)
  return mapParts(pageSections(site, scope.page), (section) => fillSection(scope, section))
}

/** The page for addresses that lead nowhere, as a page that a sheet can show. */
export function notFoundPage(): Page {
  return { id: NOT_FOUND, in: { type: 'site' }, rank: 'a0', origin: null, segment: NOT_FOUND, listed: 'nowhere', texts: {} }
}
