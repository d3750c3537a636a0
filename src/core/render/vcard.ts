import { fitWords, type Facts, factsGiven, toCountryCode, toE164, toHoursRows } from '../site'
import { hoursWords, type Site } from '../fill'

/**
 * The business as a vCard 4.0 (RFC 6350), from the client's own facts only; null while there is no name, which a card must
 * have. Opening hours have no property of their own there, so they stand in the note.
 */
export function businessCard(site: Site, origin: string): string | null {
  const facts = factsGiven(site.document)
  if (!facts.name) return null
  const phone = facts.phone === undefined ? null : toE164(facts.phone, facts.address?.country ?? null)
  const country = facts.address && (toCountryCode(facts.address.country) ?? facts.address.country)
  const hours =
    facts.hours &&
    toHoursRows(facts.hours, hoursWords(site.document))
      .map((row) => `${row.days} ${row.times}`)
      .join('\n')
  const lines = [
    'BEGIN:VCARD',
    'VERSION:4.0',
    'KIND:org',
    `FN:${text(facts.name)}`,
    `ORG:${component(facts.name)}`,
    phone ? `TEL;VALUE=uri;TYPE="work,voice":tel:${phone}` : null,
    facts.email ? `EMAIL;TYPE=work:${text(facts.email)}` : null,
    facts.address
      ? `ADR;TYPE=work:${addressParts(facts.address, country ?? '')
          .map(component)
          .join(';')}`
      : null,
    `URL:${origin}/`,
    facts.keywords?.length ? `CATEGORIES:${facts.keywords.map(text).join(',')}` : null,
    ...(facts.socials ?? []).map((url) => `SOCIALPROFILE;VALUE=uri:${url}`), // RFC 9554, 3.7
    facts.tagline || hours ? `NOTE:${text([facts.tagline, hours].filter(Boolean).join('\n'))}` : null,
    'END:VCARD',
  ]
  return (
    lines
      .filter((line) => line !== null)
      .map(fold)
      .join('\r\n') + '\r\n'
  )
}

/** RFC 6350, 4 (TEXT-CHAR): backslash, comma and line break are escaped in text; a semicolon must not be. */
function text(words: string): string {
  return fitWords(words)
    .replace(/[\\,]/g, '\\$&')
    .replace(/\r\n|[\r\n\u0085\u2028\u2029]/g, '\\n')
}

/** RFC 6350, 6.3.1: post office box; extended; street; locality; region; postal code; country. */
function addressParts({ street, locality, postcode }: NonNullable<Facts['address']>, country: string): string[] {
  return ['', '', street, locality, '', postcode, country]
}

/** RFC 6350, 4 (component): one part of a value that semicolons part. */
function component(words: string): string {
  return text(words).replaceAll(';', '\\;')
}

/** RFC 6350, 3.2: a line of more than 75 octets goes on in the next, after a space; no letter is cut in two. */
function fold(line: string): string {
  const parts: string[] = []
  let part = ''
  let octets = 0
  for (const letter of line) {
    const size = new TextEncoder().encode(letter).length
    if (octets + size > (parts.length === 0 ? 75 : 74)) {
      parts.push(part)
      part = ''
      octets = 0
    }
    part += letter
    octets += size
  }
  return [...parts, part].join('\r\n ')
}
