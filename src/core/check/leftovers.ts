import { countLeftovers, leftoverParts, sectionRows, shownFacts, siteLabels, unplannedParts, type LedgerRow } from '../fill'
import type { Pack } from '../pack'
import {
  factsOf,
  plainWords,
  roleOf,
  sectionsIn,
  sectionsOfPage,
  sharedSections,
  shownPages,
  type Section,
  type SiteDocument,
  type SlotValue,
} from '../site'
import type { Snag, SnagCheck } from './snag'

/** What still shows the template's content, and every visitor would see. */
export const leftover: SnagCheck = {
  stages: ['Content'],
  counted: 'leftovers',
  find: (pack, document) => [
    ...shownFacts(pack, document)
      .filter((fact) => factsOf(document)[fact] === undefined)
      .map((fact): Snag => ({ check: 'leftover', place: { type: 'fact', fact }, words: '' })),
    ...siteLabels(pack, document)
      .filter((label) => label.leftover)
      .map(({ label, placeholder }): Snag => ({ check: 'leftover', place: { type: 'label', label }, words: placeholder })),
    ...rowsOf(pack, document)
      .filter((row) => row.leftover)
      .map((row) => atRow('leftover', row, row.placeholder)),
    ...unplanned.find(pack, document).map((snag) => ({ ...snag, check: 'leftover' })),
  ],
  count: (pack, document) => countLeftovers(pack, document).total,
}

/** Words from a phrase bank that nobody has confirmed. */
export const draft: SnagCheck = {
  stages: ['Content'],
  counted: 'drafts to confirm',
  find: (pack, document) =>
    rowsOf(pack, document)
      .filter((row) => row.draft)
      .map((row) => atRow('draft', row, row.value)),
  count: (pack, document) => countLeftovers(pack, document).drafts,
}

/** What the pages are called, where they stand and how a search shows them, where that is the template's. */
export const unplanned: SnagCheck = {
  stages: ['Pages'],
  counted: 'page names, addresses and descriptions open',
  find: (_, document) =>
    shownPages(document).flatMap((page) =>
      leftoverParts(page, roleOf(document, page)).map((part): Snag => ({
        check: 'unplanned',
        place: { type: 'page', page: page.id, part },
        words: part === 'address' ? page.segment : '',
      })),
    ),
  count: (_, document) => unplannedParts(document),
}

function rowsOf(pack: Pack, document: SiteDocument): readonly LedgerRow[] {
  const shown: readonly Section[] = [
    ...shownPages(document).flatMap((page) => sectionsOfPage(document, page.id)),
    ...sectionsIn(document, { type: 'notFound' }),
    ...sharedSections(document),
  ]
  // What is hidden is open for nobody, and what another page has is open there.
  return shown.filter((section) => !section.hidden && section.same === undefined).flatMap((section) => sectionRows(pack, document, section))
}

function atRow(check: string, { place }: LedgerRow, value: SlotValue | null): Snag {
  return { check, place, words: value ? plainWords(value) : '' }
}
