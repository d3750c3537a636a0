import type { DomainName } from './domain-name'
import type { Judged } from './judge'
import { nameUnder, zoneValue } from './zone'

/** A letter to whoever looks after a domain: what is to be set there, and what of it is set already. */
export function domainMail(
  { shown, registrable }: DomainName,
  judged: readonly Judged[],
  client: string,
): { subject: string; body: string } {
  const open = judged.filter(({ state }) => state !== 'right' && state !== 'cached')
  const gone = open.filter(({ values }) => values.length === 0)
  const set = open.filter(({ values }) => values.length > 0)
  const lines = (records: readonly Judged[]): string[] =>
    records.flatMap(({ name, type, values, why, state, said }) => [
      ...values.flatMap((value) => [
        `  Name:  ${nameUnder(name, registrable)}   (${name})`,
        `  Type:  ${type}`,
        `  Value: ${type === 'TXT' || type === 'CAA' ? value : zoneValue(type, value)}`,
      ]),
      `  Why:   ${why}`,
      ...(state === 'wrong' ? [`  Now:   ${said}`] : []),
      '',
    ])
  const body = [
    'Hello,',
    '',
    `the new site of ${client} is ready, and is to be found at ${shown}. You look after that domain: please set these records there.`,
    '',
    ...lines(set),
    ...(gone.length > 0 ? ['Please remove:', '', ...gone.flatMap(({ name, type, said }) => [`  ${type} of ${name}: ${said}`, ''])] : []),
    'Leave everything else as it is, above all what is there for mail (MX, and TXT records that are not named here). An hour (3600) will ' +
      'do as the time that each may be kept (TTL). I see here when they are set; you need not write back, unless something is unclear.',
    '',
    'Thank you',
  ]
  return { subject: `Records to set for ${shown}`, body: body.join('\n') }
}
