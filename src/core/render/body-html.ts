import type { PageParts } from '../fill'

/** The element that a part of a page stands in, by selector; the others stand right in the body. */
export const HOLDERS = {
  head: '#main',
  main: '#main > .columns > .middle',
  start: '#main > .columns > .side-start',
  end: '#main > .columns > .side-end',
} as const

/** Whether a page has columns at its sides. */
export function isInColumns({ columns }: Pick<PageParts<unknown>, 'columns'>): boolean {
  return columns.start !== null || columns.end !== null
}

/** What the element around the columns of a page is called: it says which there are, and how wide. */
export function columnsClass({ columns: { start, end } }: Pick<PageParts<unknown>, 'columns'>): string {
  return ['columns', ...(start ? [`start-${start}`] : []), ...(end ? [`end-${end}`] : [])].join(' ')
}

/** The sections of a page in the elements that they stand in; the same on sheets and in releases. */
export function bodyHtml<T>(of: PageParts<T>, write: (one: T) => string): string {
  const lines = (sections: readonly T[]): string => sections.map((one) => `${write(one)}\n`).join('')
  const side = (name: 'start' | 'end'): string =>
    of.columns[name] === null ? '' : `<div class="side-${name}">\n${lines(of[name])}</div>\n`
  const middle = isInColumns(of)
    ? `<div class="${columnsClass(of)}">\n<div class="middle">\n${lines(of.main)}</div>\n${side('start')}${side('end')}</div>\n`
    : lines(of.main)
  return `${lines(of.header)}<main id="main">\n${lines(of.head)}${middle}</main>\n${lines(of.footer)}`
}
