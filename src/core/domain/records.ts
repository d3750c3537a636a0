import type { DomainName } from './domain-name'

/** Where our host is found: its own name and every number that name stands for. */
export type HostPlace = { readonly name: string; readonly a: readonly string[]; readonly aaaa: readonly string[] }

/** What a record is there for. */
export type RecordRole = 'leads' | 'proof' | 'authority' | 'challenge'
export type RecordType = 'A' | 'AAAA' | 'CNAME' | 'TXT' | 'CAA'

/** A record that is to be set where the domain is looked after. Names are whole and have no dot at their end. */
export type WantedRecord = {
  readonly role: RecordRole
  readonly name: string
  readonly type: RecordType
  /** One record for each; none where no record of this type may be there. */
  readonly values: readonly string[]
  readonly why: string
  /** What does the same where a registrar offers it. */
  readonly instead: string | null
}

/** What an authority asks for before it gives a certificate, where it is asked by DNS (RFC 8555, 8.4). */
export type DnsChallenge = { readonly name: string; readonly value: string }

/**
 * The records that lead visitors of a domain to our host, the one beside it too, and the one that proves whose it is. At the registered
 * part itself no CNAME can stand, since its SOA and NS records stand there (RFC 1034, 3.6.2; RFC 1912, 2.4; RFC 2181, 10.1).
 */
export function wantedRecords(
  domain: DomainName,
  host: HostPlace,
  proof: string,
  challenges: readonly DnsChallenge[] = [],
): WantedRecord[] {
  const { name, other, registrable } = domain
  const names = other === null ? [name] : [name, other]
  return [
    ...names.flatMap((one) => leading(one, registrable, host, one === name ? null : name)),
    {
      role: 'proof',
      name: proofName(domain),
      type: 'TXT',
      values: [proof],
      why: 'Proves that whoever sets it looks after this domain, so that nobody else can bring a site here under its name.',
      instead: null,
    },
    ...challenges.map((one): WantedRecord => ({
      role: 'challenge',
      name: one.name,
      type: 'TXT',
      values: [one.value],
      why: 'Shows the authority that the certificate is asked for by whoever looks after the domain. It can go once it is given.',
      instead: null,
    })),
  ]
}

/** Where the proof stands: beside the registered part where both names are used, else beside the name itself. */
export function proofName({ name, other, registrable }: DomainName): string {
  return `_site-proof.${other === null ? name : registrable}`
}

function leading(name: string, registrable: string, host: HostPlace, leadsOnTo: string | null): WantedRecord[] {
  const why =
    leadsOnTo === null ? 'Leads visitors to the site.' : `Leads those who type it so to our host, which leads them on to ${leadsOnTo}.`
  if (name !== registrable) return [{ role: 'leads', name, type: 'CNAME', values: [host.name], why, instead: numbersOf(host) }]
  const numbers = (type: 'A' | 'AAAA', values: readonly string[]): WantedRecord => ({
    role: 'leads',
    name,
    type,
    values,
    why:
      values.length > 0
        ? `${why} ${type === 'A' ? 'A domain itself takes no CNAME, so it needs the number.' : 'The same for the newer kind of number.'}`
        : 'Our host has no number of this kind. A record of it leads some visitors elsewhere.',
    instead: values.length > 0 ? `ALIAS or ANAME ${host.name}, where the registrar has one` : null,
  })
  return [numbers('A', host.a), numbers('AAAA', host.aaaa)]
}

function numbersOf({ a, aaaa }: HostPlace): string {
  return [...a.map((one) => `A ${one}`), ...aaaa.map((one) => `AAAA ${one}`)].join(' and ')
}
