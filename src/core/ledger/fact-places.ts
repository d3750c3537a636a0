import { sectionRows } from '../fill'
import { findDesign, shownPlaces, type Pack } from '../pack'
import {
  pagesOf,
  sectionsIn,
  sectionsOfPage,
  sharedSections,
  shownSection,
  targetsIn,
  type FactName,
  type Section,
  type SiteDocument,
  type SlotValue,
} from '../site'

/** Where a fact shows: in how many places, each counted once, and on how many pages; `everyPage` where one stands on all of them. */
export type FactPlaces = { readonly places: number; readonly pages: number; readonly everyPage: boolean }

/** Counts where a fact shows: where designs show it, as a chip in words, and where a link leads to it. */
export function placesOfFact(pack: Pack, document: SiteDocument, fact: FactName): FactPlaces {
  const seen = new Map<string, number>()
  const count = (sections: readonly Section[]): number =>
    sections
      .map((section) => shownSection(document, section))
      .reduce((sum, section) => {
        const found = seen.get(section.id) ?? countIn(pack, document, section, fact)
        seen.set(section.id, found)
        return sum + found
      }, 0)
  const shared = count(sharedSections(document))
  const pages = pagesOf(document).filter((page) => count(sectionsOfPage(document, page.id)) > 0)
  count(sectionsIn(document, { type: 'notFound' }))
  return {
    places: [...seen.values()].reduce((sum, found) => sum + found, 0),
    pages: shared > 0 ? pagesOf(document).length : pages.length,
    everyPage: shared > 0,
  }
}

function countIn(pack: Pack, document: SiteDocument, section: Section, fact: FactName): number {
  const design = findDesign(pack, section.kind, section.design)
  const drawn = design ? shownPlaces(design).facts.filter((one) => (one === 'locality' ? 'address' : one) === fact).length : 0
  const values = sectionRows(pack, document, section).flatMap(({ value, placeholder }) => value ?? placeholder ?? [])
  return drawn + values.reduce((sum, value) => sum + timesIn(value, fact), 0)
}

function timesIn(value: SlotValue, fact: FactName): number {
  const links = targetsIn(value).filter((to) => to.type === 'fact' && to.fact === fact).length
  if (value.type !== 'rich') return links
  const chips = value.rich.flatMap(({ runs }) => runs.filter((run) => 'fact' in run && asFact(run.fact) === fact)).length
  return links + chips
}

function asFact(chip: string): string {
  return chip === 'locality' ? 'address' : chip
}
