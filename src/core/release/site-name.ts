import { toUnicode } from 'tr46'
import { toAsciiName } from '../ascii-name'

export type SiteNameProblem = 'empty' | 'tooLong' | 'letters' | 'hyphens' | 'reserved'
export type SiteName =
  | {
      readonly ok: true
      /** As it is asked of a name server: a–z, 0–9 and hyphens. */ readonly label: string
      /** As a person reads it. */ readonly shown: string
    }
  | { readonly ok: false; readonly problem: SiteNameProblem; readonly sentence: string }

/** Names a web host keeps for itself. */
const RESERVED = new Set(
  [
    'www mail smtp imap pop ftp sftp ns ns1 ns2 dns admin administrator root host hostmaster webmaster postmaster abuse',
    'api app status support help static cdn localhost local test draft proof',
  ].flatMap((names) => names.split(' ')),
)

const SENTENCES: Record<SiteNameProblem, string> = {
  empty: 'Choose a name for the address, such as the client’s name in one word.',
  tooLong: 'That name is too long: one part of a host name holds 63 characters at most.',
  letters: 'A name takes letters, digits and hyphens only. Leave out spaces, dots and other signs.',
  hyphens: 'A name neither begins nor ends with a hyphen, and has no two in its third and fourth place.',
  reserved: 'That name is kept by the web host for itself. Choose another.',
}

/**
 * One host-name label from what a person typed. RFC 1123, 2.1 (letters, digits, hyphens; up to 63) after RFC 5891's
 * mapping of other scripts to their ASCII form (UTS 46, non-transitional).
 */
export function parseSiteName(text: string): SiteName {
  const typed = text.trim()
  if (typed === '') return refuse('empty')
  if (/[\s.@:/\\_。．｡]/u.test(typed)) return refuse('letters')
  if (/^-|-$|^..--/.test(typed) && !/^xn--/i.test(typed)) return refuse('hyphens')
  if ([...typed].length > 63) return refuse('tooLong')
  const label = toAsciiName(typed)
  if (label === null) return refuse(/^[\x00-\x7f]*$/.test(typed) || [...typed].length < 40 ? 'letters' : 'tooLong')
  if (RESERVED.has(label)) return refuse('reserved')
  return { ok: true, label, shown: toUnicode(label).domain }
}

function refuse(problem: SiteNameProblem): SiteName {
  return { ok: false, problem, sentence: SENTENCES[problem] }
}

/** Up to four names like the one wanted that are free: with the town, the trade, or a number. `slugs` come cleaned. */
export function suggestSiteNames(
  wanted: string,
  slugs: { readonly name: string; readonly locality: string; readonly trade: string },
  isFree: (label: string) => boolean,
): string[] {
  const base = wanted || slugs.name || 'site'
  const tries = [
    slugs.name,
    `${base}-${slugs.locality}`,
    `${slugs.name}-${slugs.locality}`,
    `${base}-${slugs.trade}`,
    ...[2, 3, 4, 5].map((n) => `${base}-${n}`),
  ]
  const fitting = tries
    .map((t) =>
      t
        .replace(/^-+|-+$/g, '')
        .slice(0, 63)
        .replace(/-+$/, ''),
    )
    .filter((t) => t !== wanted && parseSiteName(t).ok)
  return [...new Set(fitting)].filter(isFree).slice(0, 4)
}
