import type { Address } from './facts'
import { toCountryCode } from './phone'

/**
 * Postcodes as they are written beside a town, the more particular first. From memory of the forms that the posts of these countries
 * give (Universal Postal Union, addressing systems).
 */
const POSTCODES: readonly RegExp[] = [
  /\b[A-Z]{1,2}\d[A-Z\d]? ?\d[A-Z]{2}\b/i, // Britain
  /\b[A-Z]\d[A-Z] ?\d[A-Z]\d\b/i, // Canada
  /\b[A-Z]\d{2} ?[A-Z\d]{4}\b/i, // Ireland
  /\b\d{4} ?[A-Z]{2}\b(?=\s|$)/, // Netherlands
  /\b(?:[A-Z]{1,2}-)?\d{2}-\d{3}\b/, // Poland
  /\b\d{4}-\d{3}\b/, // Portugal
  /\b\d{3} \d{2}\b/, // Greece, Sweden, Czechia
  /\b(?:[A-Z]{1,2}-)?\d{4,6}(?:-\d{4})?\b/, // most others
]

/** An address that was written in one piece, in lines or with commas, taken apart; null where it is only one part. */
export function parseAddress(text: string): Address | null {
  const parts = text
    .split(/[\n;,]/)
    .map((part) => part.trim())
    .filter(Boolean)
  if (parts.length < 2) return null
  const last = parts.at(-1) ?? ''
  const hasCountry = parts.length > 2 && !/\d/.test(last) && toCountryCode(last) !== null
  const country = hasCountry ? last : ''
  const lines = hasCountry ? parts.slice(0, -1) : parts
  const found = findPostcode(lines)
  if (!found) return { street: lines.slice(0, -1).join(', '), locality: lines.at(-1) ?? '', postcode: '', country }
  const { at, postcode } = found
  const beside = (lines[at] ?? '').replace(postcode, ' ').replace(/\s+/g, ' ').trim()
  // A postcode on a line of its own stands under its town.
  const town = beside !== '' ? at : at - 1
  const locality = beside !== '' ? beside : (lines[town] ?? '')
  const street = lines.filter((_, i) => i !== at && i !== town)
  return { street: street.join(', '), locality, postcode, country }
}

/** The last line but the first that holds a postcode: numbers of houses stand before it. */
function findPostcode(lines: readonly string[]): { readonly at: number; readonly postcode: string } | null {
  for (const form of POSTCODES) {
    for (let at = lines.length - 1; at > 0; at--) {
      const postcode = form.exec(lines[at] ?? '')?.[0]
      if (postcode !== undefined) return { at, postcode }
    }
  }
  return null
}
