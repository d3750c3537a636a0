import { allOfPage, type RichText, type Section, type SlotValue } from '../../site'
import { sectionRows } from '../section-rows'
import type { PageScope } from './page-scope'

/** Whether something on a page goes by its visitor's clock, so that it carries a script: a section with a last day, a year in words. */
export function goesByClock({ site: { document, pack }, page }: PageScope): boolean {
  return allOfPage(document, page?.id ?? null).some(
    (section: Section) =>
      section.until !== undefined || sectionRows(pack, document, section).some(({ value, placeholder }) => tellsYear(value ?? placeholder)),
  )
}

function tellsYear(value: SlotValue | null): boolean {
  return value?.type === 'rich' && hasYear(value.rich)
}

function hasYear(rich: RichText): boolean {
  return rich.some(({ runs }) => runs.some((run) => 'fact' in run && run.fact === 'year'))
}
