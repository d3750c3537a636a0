import { tokensOf, type Span } from './near'

/** Names that lead nowhere by agreement: RFC 2606, 2 and 3, and RFC 6761, 6. */
const NOWHERE = new Set(['example', 'test', 'invalid'])
/** What people write for a name of their own; common practice, no source. */
const YOURS = /^(?:your-?(?:domain|company|business|website|site|name)\.[a-z]{2,20}|(?:john|jane)\.?doe@.{1,200})$/i

/** Whether a word is an address, of mail or of the web, that stands for others. */
function isExample(word: string): boolean {
  const [host = ''] = word.replace(/^[a-z]+:\/\//i, '').split(/[/?#]/)
  const labels = (host.split('@').at(-1) ?? '').toLowerCase().split('.')
  const [name, top] = labels.slice(-2)
  if (labels.length < 2 || name === '' || top === undefined) return YOURS.test(word)
  return NOWHERE.has(top) || (name === 'example' && /^(?:com|net|org)$/.test(top)) || YOURS.test(word)
}

/**
 * Numbers that no telephone has, kept for films and books: 555-0100 to 555-0199 in North America (NANPA), 01632 960, 07700 900 and the
 * towns' 496 0 or 946 0 in Britain (Ofcom, “Telephone numbers for use in TV and radio drama programmes”). From memory.
 */
const NUMBERS = [
  /^1?\d{3}55501\d\d$/,
  /^(?:44|0)1632960\d{3}$/,
  /^(?:44|0)7700900\d{3}$/,
  /^(?:44|0)(?:113|114|115|116|117|118|121|131|141|151|161)4960\d{3}$/,
  /^(?:44|0)2079460\d{3}$/,
  /^0?123456789?0?$/,
]
const NUMBER = /\+?\d[\d ().\u00a0\u202f-]{5,20}\d/g

/** Addresses and numbers that stand for others, in a line. */
export function exampleSpans(line: string): readonly Span[] {
  const names = tokensOf(line).filter(({ word }) => isExample(word))
  const numbers = [...line.matchAll(NUMBER)].filter(([text]) => {
    const digits = text.replaceAll('(0)', '').replaceAll(/\D/g, '')
    return NUMBERS.some((one) => one.test(digits))
  })
  return [...names, ...numbers.map(({ index, 0: words }) => ({ from: index, to: index + words.length }))]
}
