import type { Template } from '../pack'
import type { Purpose, SectionKind } from '../site'
import { findTrade } from '../trade'
import type { TemplateProfile } from './profile'
import type { Suits } from './suits'

/** What a designer asks of the templates on the table; absent: anything. */
export type Narrowing = {
  readonly words?: string
  readonly trade?: string
  readonly purpose?: Purpose
  readonly page?: string
  readonly kind?: SectionKind
  readonly mostPictures?: number
  readonly mostBytes?: number
  readonly licence?: string
  readonly price?: string
  readonly favourites?: readonly string[]
}

export type Candidate = { readonly template: Template; readonly profile: TemplateProfile; readonly suits: Suits }

/** The kinds of section that serve a purpose; calls need none, every header has the number. */
const SERVES: Record<Purpose, readonly SectionKind[]> = {
  calls: ['header'],
  enquiries: ['contact'],
  visits: ['visit'],
  bookings: ['steps', 'action'],
  showing: ['gallery', 'before-after'],
  selling: ['prices'],
}

export function isWithin({ template, profile }: Candidate, asked: Narrowing): boolean {
  const words = [template.name, template.description, ...template.trades, ...profile.pages.map((p) => p.name), ...profile.kinds]
    .join(' ')
    .toLowerCase()
  const trade = asked.trade === undefined ? null : findTrade(asked.trade)
  return (
    (asked.words ?? '')
      .toLowerCase()
      .split(/\s+/)
      .filter(Boolean)
      .every((word) => words.includes(word)) &&
    (trade === null || template.trades.map(findTrade).some((t) => t?.group === trade.group)) &&
    (asked.purpose === undefined || SERVES[asked.purpose].some((kind) => profile.kinds.has(kind))) &&
    (asked.page === undefined || profile.pages.some((p) => p.name === asked.page)) &&
    (asked.kind === undefined || profile.kinds.has(asked.kind)) &&
    (asked.mostPictures === undefined || profile.pictures <= asked.mostPictures) &&
    (asked.mostBytes === undefined || profile.homeBytes <= asked.mostBytes) &&
    (asked.licence === undefined || template.licence === asked.licence) &&
    (asked.price === undefined || template.price === asked.price) &&
    (asked.favourites === undefined || asked.favourites.includes(template.id))
  )
}

/** Of what could be asked for, that which tells the candidates apart: it leaves some of them, and not all. */
export function tellingApart<T>(all: readonly Candidate[], values: readonly T[], ask: (value: T) => Narrowing): readonly T[] {
  return values.filter((value) => {
    const left = all.filter((candidate) => isWithin(candidate, ask(value))).length
    return left > 0 && left < all.length
  })
}

/** Best suited first; alike ones by name, so that the order never changes by itself. */
export function bySuiting(a: Candidate, b: Candidate): number {
  return b.suits.score - a.suits.score || a.template.name.localeCompare(b.template.name)
}
