import type { ShownFact } from '../pack'
import { addressLine, factsOf, type ChipFact } from '../site'
import { templateOf, type Site } from './site'

/** A fact as a page shows it: the client's, or the template's as a leftover. */
export function shownFact(site: Site, fact: ShownFact | 'hours' | 'socials'): { readonly text: string; readonly leftover: boolean } {
  const own = factsOf(site.document)
  const template = templateOf(site).facts
  switch (fact) {
    case 'address':
      return { text: addressLine(own.address ?? template.address), leftover: own.address === undefined }
    case 'locality':
      return { text: (own.address ?? template.address).locality, leftover: own.address === undefined }
    case 'hours':
      return { text: '', leftover: own.hours === undefined }
    case 'socials':
      return { text: own.socials?.join(' ') ?? '', leftover: false }
    default:
      return { text: own[fact] ?? template[fact], leftover: own[fact] === undefined }
  }
}

/** What a chip shows in the middle of words. */
export function shownChip(site: Site, fact: ChipFact): string {
  return fact === 'year' ? (site.today ?? '').slice(0, 4) : shownFact(site, fact).text
}

/** The country that the number shown is dialled in: where the address shown is. */
export function phoneCountry(site: Site): string {
  const own = factsOf(site.document)
  const address = own.phone === undefined ? templateOf(site).facts.address : own.address
  return address?.country ?? ''
}

/** How a profile elsewhere is named on a page: its host, and the name on it. */
export function profileName(url: string): string {
  return url.replace(/^https?:\/\/(www\.)?/i, '').replace(/[/?#]+$/, '')
}
