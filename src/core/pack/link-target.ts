import type { LinkTarget } from '../site'

/** A link as a pack or a person writes it: `page:services`, `fact:phone`, or a web, mail or telephone address. */
export function parseLinkTarget(text: string): LinkTarget | null {
  const [, scheme, rest] = /^(page|fact):(.+)$/.exec(text.trim()) ?? []
  if (scheme === 'page' && rest) return { type: 'page', page: rest }
  if (scheme === 'fact' && (rest === 'phone' || rest === 'email' || rest === 'address')) return { type: 'fact', fact: rest }
  return scheme === undefined && isSafeUrl(text.trim()) ? { type: 'url', url: text.trim() } : null
}

/** Only addresses that lead somewhere (RFC 9110, 6068, 3966, 5724); nothing that runs. */
export function isSafeUrl(url: string): boolean {
  return /^(https?:\/\/[^\s<>"]+|mailto:[^\s<>"]+|(?:tel|sms):[+\d][\d\s().-]*)$/i.test(url)
}

/**
 * A safe address as a page prints it. Most are as they were written; what browsers would put right in silence is put right here, so that
 * the page is valid: `\\` is `/`, and a percent sign that begins no code is one itself (URL Standard, “URL parsing”).
 */
export function printedUrl(url: string): string {
  if (!/^https?:/i.test(url) || !/[\\%`{}|^[\]]/.test(url) || !URL.canParse(url)) return url
  return new URL(url.replaceAll(/%(?![0-9a-f]{2})/gi, '%25')).href
}
