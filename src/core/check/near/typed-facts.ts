import { factsOf, toTelUri, type SiteDocument } from '../../site'
import { tokensOf, type Span } from './near'

const NUMBER = /\+?\(?\d[\d ()./\u00a0\u202f-]{5,20}\d/g

/** The client's telephone number or mail address, typed in a line as words: it does not follow when the fact changes. */
export function typedFacts(document: SiteDocument, line: string): readonly (Span & { readonly fact: 'phone' | 'email' })[] {
  const { phone, email, address } = factsOf(document)
  const country = address?.country ?? null
  const own = phone ? toTelUri(phone, country) : null
  const numbers = [...line.matchAll(NUMBER)].filter(([text]) => own !== null && toTelUri(text, country) === own)
  const mails = tokensOf(line).filter(({ word }) => email && word.toLowerCase() === email.trim().toLowerCase())
  const span = ({ index, 0: words }: RegExpExecArray): Span => ({ from: index, to: index + words.length })
  return [
    ...numbers.map((found) => ({ ...span(found), fact: 'phone' as const })),
    ...mails.map(({ from, to }) => ({ from, to, fact: 'email' as const })),
  ]
}
