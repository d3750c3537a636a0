import { getTemplate, type ShownFact } from '../pack'
import { addressLine } from '../site'
import type { Site } from './site'

/** A fact as a page shows it: the client's, or the template's as a leftover. */
export function shownFact(site: Site, fact: ShownFact | 'hours'): { readonly text: string; readonly leftover: boolean } {
  const own = site.document.facts
  const template = getTemplate(site.pack, site.document.template).facts
  switch (fact) {
    case 'address': return { text: addressLine(own.address ?? template.address), leftover: own.address === undefined }
    case 'locality': return { text: (own.address ?? template.address).locality, leftover: own.address === undefined }
    case 'hours': return { text: '', leftover: own.hours === undefined }
    default: return { text: own[fact] ?? template[fact], leftover: own[fact] === undefined }
  }
}
