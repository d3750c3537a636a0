import { parse } from 'tldts'
import { toUnicode } from 'tr46'
import { toAsciiName } from '../ascii-name'

/** A name that visitors can have for a site, on a domain that somebody has registered. */
export type DomainName = {
  /** As it is asked of a name server: a–z, 0–9, hyphens and dots. */
  readonly name: string
  /** As a person reads it. */
  readonly shown: string
  /** The part that is registered, by the public suffix list: `example.co.uk` of `www.example.co.uk`. */
  readonly registrable: string
  /** Whether it is the registered part itself, `www` before it, or something else before it. */
  readonly stand: 'apex' | 'www' | 'deeper'
  /** The name with `www` where this has none, and the other way round; none where it stands deeper. */
  readonly other: string | null
}
export type DomainProblem = 'empty' | 'mail' | 'number' | 'letters' | 'tooLong' | 'onePart' | 'ending' | 'nowhere' | 'ours'
export type DomainAnswer =
  | ({ readonly ok: true } & DomainName)
  | { readonly ok: false; readonly problem: DomainProblem; readonly sentence: string }

const SENTENCES: Record<DomainProblem, (typed: string) => string> = {
  empty: () => 'Type the client’s domain, such as www.example.com.',
  mail: (typed) => `“${typed}” is an address for mail. Type the domain alone, such as www.example.com.`,
  number: (typed) => `“${typed}” is the number of a computer. A site’s address is a name, such as www.example.com.`,
  letters: (typed) =>
    `“${typed}” cannot be a domain: its parts take letters, digits and hyphens, none at either end, and dots between them.`,
  tooLong: () => 'That is too long: a part of a domain holds 63 characters at most, the whole 253.',
  onePart: (typed) => `“${typed}” lacks its ending, such as .com or .org.`,
  ending: (typed) => `“${typed}” is an ending that domains are registered under, not a domain. Type the client’s name before it.`,
  nowhere: (typed) => `“${typed}” works on one network alone: no authority may give a certificate for such a name.`,
  ours: (typed) => `“${typed}” is an address on our own host. Choose it above.`,
}

/** Endings that no public name server knows (RFC 6761, 6762, 7686, 9476; `home.arpa`, RFC 8375). */
const NOWHERE = /(^|\.)(localhost|local|invalid|onion|alt|internal|home\.arpa)$/

/**
 * A domain from what a person typed or pasted: a whole web address is read as its name. Other scripts become their ASCII form
 * (UTS 46, non-transitional; RFC 5891); where the registered part ends, the public suffix list says.
 */
export function parseDomain(text: string, hostSuffix = '.localhost'): DomainAnswer {
  const typed = nameIn(text)
  const refuse = (problem: DomainProblem): DomainAnswer => ({ ok: false, problem, sentence: SENTENCES[problem](typed) })
  if (typed === '') return refuse('empty')
  if (typed.includes('@')) return refuse('mail')
  if (/^[\d.]+$|^\[?[\da-f]*:[\da-f:.]*\]?$/i.test(typed)) return refuse('number')
  const name = toAsciiName(typed)
  if (name === null) return refuse([...typed].length > 253 || typed.split('.').some((part) => part.length > 63) ? 'tooLong' : 'letters')
  if (name.endsWith(hostSuffix)) return refuse('ours')
  if (NOWHERE.test(name)) return refuse('nowhere')
  if (!name.includes('.')) return refuse('onePart')
  const { domain } = parse(name, { allowPrivateDomains: true })
  if (!domain) return refuse('ending')
  return { ok: true, ...standOf(name, domain) }
}

/** A domain that was read before. */
export function domainOf(name: string): DomainName {
  return standOf(name, parse(name, { allowPrivateDomains: true }).domain ?? name)
}

function standOf(name: string, registrable: string): DomainName {
  const stand = name === registrable ? 'apex' : name === `www.${registrable}` ? 'www' : 'deeper'
  const other = stand === 'apex' ? `www.${name}` : stand === 'www' ? registrable : null
  return { name, shown: shownName(name), registrable, stand, other }
}

/** A name as a person reads it, in its own script. */
export function shownName(name: string): string {
  return toUnicode(name).domain
}

/** The host of a web address; what else was typed, without the dot that ends a name on name servers. */
function nameIn(text: string): string {
  const [bare = ''] = text
    .trim()
    .replace(/^[a-z]{1,10}:\/\//i, '')
    .split(/[/?#]/)
  return bare.replace(/:\d{1,5}$/, '').replace(/[.。．｡]$/u, '')
}
