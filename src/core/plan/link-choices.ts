import { linkedPage, pageTexts, shownAt, type Site } from '../fill'
import { isSafeUrl } from '../pack'
import { linkedFiles, weightOf } from '../pages'
import { findPage, findSection, pageOf, factsOf, plainWords, toTelUri, type FileTarget, type LinkTarget, type SiteDocument } from '../site'
import { folded, jumpTargets } from './jump'

/** Somewhere that a link can lead, by the words on it. */
export type LinkChoice = {
  readonly group: 'As typed' | 'Pages' | 'Places on pages' | 'Client facts' | 'Files'
  readonly title: string
  readonly detail: string
  readonly to: LinkTarget
  readonly words: string
}

/** Everything of a site that a link can lead to: pages, places on them, facts and files. */
export function linkChoices({ pack, document }: Pick<Site, 'pack' | 'document'>): readonly LinkChoice[] {
  const targets = jumpTargets(pack, document)
  const pages = targets.flatMap((one): LinkChoice[] =>
    one.type === 'page' ? [choice('Pages', one.title, one.detail, { type: 'page', page: one.page })] : [],
  )
  const places = targets.flatMap((one): LinkChoice[] => {
    if (one.type !== 'section' || one.page === null) return []
    const heading = shownAt(pack, document, { section: one.section, entry: null, slot: 'heading' })
    const words = heading ? plainWords(heading) : ''
    return [choice('Places on pages', `${capital(one.title)} on ${one.detail}`, words, { type: 'section', section: one.section })]
  })
  const files = linkedFiles(document).map((file) => choice('Files', file.name, weightOf(file.bytes), file))
  return [...pages, ...factChoices(document), ...places, ...files]
}

function factChoices(document: SiteDocument): readonly LinkChoice[] {
  const facts = factsOf(document)
  const mail = facts.email ?? ''
  const phone = facts.phone ?? ''
  const town = facts.address?.locality ?? ''
  return [
    choice('Client facts', 'Telephone', phone, { type: 'fact', fact: 'phone' }),
    choice('Client facts', 'Email', mail, { type: 'fact', fact: 'email' }),
    choice('Client facts', 'Map', town, { type: 'fact', fact: 'address' }),
  ]
}

function choice(group: LinkChoice['group'], title: string, detail: string, to: LinkTarget): LinkChoice {
  return { group, title, detail, to, words: folded(`${title} ${detail}`) }
}

const capital = (words: string): string => words.slice(0, 1).toLocaleUpperCase() + words.slice(1)

/** What was typed as somewhere to lead: a web address, mail, a call or a message; nothing where it is none of them. */
export function typedTargets(asked: string): readonly LinkChoice[] {
  const typed = asked.trim()
  const url = (title: string, address: string): LinkChoice[] =>
    isSafeUrl(address) ? [choice('As typed', title, address, { type: 'url', url: address })] : []
  if (/^[^\s@:/]+@[^\s@]+\.[^\s@.]{2,}$/.test(typed))
    return url(`Mail to ${typed}`, `mailto:${encodeURI(typed).replaceAll(/[?&#]/g, encodeURIComponent)}`)
  if (/^\+?[\d\s().-]{6,20}$/.test(typed) && typed.replaceAll(/\D/g, '').length >= 6) {
    const number = toTelUri(typed)
    return [...url(`Call ${typed}`, number), ...url(`Message to ${typed}`, number.replace('tel:', 'sms:'))]
  }
  if (/^(https?|mailto|tel|sms):/i.test(typed)) return url(typed, typed)
  // A domain's last part has letters alone; a word with a full stop in it is none.
  return /^(?:[\p{L}\p{N}](?:[\p{L}\p{N}-]*[\p{L}\p{N}])?\.)+\p{L}{2,}(?:[/?#]\S*)?$/u.test(typed)
    ? url(`https://${typed}`, `https://${typed}`)
    : []
}

/** Where a link leads, in words; `gone` where it leads nowhere. */
export function targetName(
  { pack, document }: Pick<Site, 'pack' | 'document'>,
  to: LinkTarget,
): { readonly name: string; readonly gone: boolean } {
  switch (to.type) {
    case 'page': {
      const page = linkedPage(document, to.page)
      return page ? { name: pageTexts(pack, document, page).name, gone: false } : { name: 'a page that is gone', gone: true }
    }
    case 'section': {
      const section = findSection(document, to.section)
      const page = section && findPage(document, pageOf(section.in) ?? '')
      if (!section || !page) return { name: 'a place that is gone', gone: true }
      return { name: `${capital(section.name ?? section.kind)} on ${pageTexts(pack, document, page).name}`, gone: false }
    }
    case 'fact':
      return { name: { phone: 'Telephone', email: 'Email', address: 'Map' }[to.fact], gone: false }
    case 'file':
      return { name: fileName(to), gone: false }
    case 'url':
      return { name: to.url.replace(/^(https?:\/\/|mailto:|tel:|sms:)/i, '') || 'nowhere yet', gone: to.url === '' }
    default:
      return to satisfies never
  }
}

function fileName({ name, bytes }: FileTarget): string {
  return `${name} (${weightOf(bytes)})`
}

/** The subject of a mail that a link begins (RFC 6068, 2); null where it begins none. */
export function subjectOf(to: LinkTarget): string | null {
  if (to.type !== 'url' || !/^mailto:/i.test(to.url)) return null
  try {
    return new URL(to.url).searchParams.get('subject') ?? ''
  } catch {
    return ''
  }
}

/** The same mail with another subject. RFC 6068, 2: blanks are `%20`, never `+`. */
export function withSubject(to: LinkTarget, subject: string): LinkTarget {
  if (to.type !== 'url') return to
  const [address = ''] = to.url.split('?')
  return { type: 'url', url: subject.trim() === '' ? address : `${address}?subject=${encodeURIComponent(subject)}` }
}
