import { own } from '../own'
import { pageTexts, siteLabels } from '../fill'
import { getTemplate, type Pack } from '../pack'
import { addressLine, factsOf, findPage, plainWords, toHoursRows, type FactValue, type SiteDocument } from '../site'
import type { Listed } from './listing'

/** What a fact says, in one line. */
export function factWords(value: FactValue | undefined): string {
  if (value === undefined) return ''
  if (typeof value === 'string') return value
  if ('street' in value) return addressLine(value)
  if (!('mon' in value)) return value.join(', ')
  return toHoursRows(value)
    .map((row) => `${row.days} ${row.times}`)
    .join('; ')
}

/** The words that a place shows: the client's, or the template's. */
export function wordsListed(pack: Pack, document: SiteDocument, { place, row }: Listed): string {
  switch (place.type) {
    case 'slot': {
      const shown = row?.value ?? row?.placeholder
      return shown && shown.type !== 'list' ? plainWords(shown) : ''
    }
    case 'fact':
      return factWords(factsOf(document)[place.fact] ?? own(getTemplate(pack, document.dress.template).facts, place.fact))
    case 'label': {
      const label = siteLabels(pack, document).find((one) => one.label === place.label)
      return label?.value || (label?.placeholder ?? '')
    }
    case 'page': {
      const page = findPage(document, place.page)
      if (!page) return ''
      return place.part === 'address' ? page.segment : pageTexts(pack, document, page)[place.part]
    }
    case 'brand':
      return ''
    default:
      return place satisfies never
  }
}
