import { getDesign, shownPlaces, type Pack, type Template } from '../pack'
import type { Facts, Purpose } from '../site'
import { findTrade, type TradeGroup } from '../trade'
import type { TemplateProfile } from './profile'

/** How well a template suits a brief: a number to order by, and why, in words. */
export type Suits = { readonly score: number; readonly reasons: readonly string[] }
type Reason = { readonly points: number; readonly words: string }

const GROUP_WORDS: Record<TradeGroup, string> = {
  makers: 'workshops',
  home: 'trades that work in people’s homes',
  care: 'practices',
  beauty: 'salons',
  pets: 'people who look after animals',
  growers: 'growers and outdoor work',
  food: 'kitchens and shops that feed people',
  shops: 'shops',
  advice: 'offices that advise',
  events: 'weddings and events',
  lodging: 'places to stay',
  learning: 'teachers',
  leisure: 'days out',
  motor: 'garages',
}

export function suitsBrief(pack: Pack, template: Template, profile: TemplateProfile, facts: Facts): Suits {
  const reasons = [
    ...tradeReasons(template, facts.trade ?? ''),
    ...(facts.purposes ?? []).flatMap((purpose) => purposeReasons(pack, template, profile, purpose)),
    ...keywordReasons(template, facts.keywords ?? []),
  ]
  return { score: reasons.reduce((sum, r) => sum + r.points, 0), reasons: reasons.map((r) => r.words) }
}

function tradeReasons(template: Template, words: string): Reason[] {
  const trade = findTrade(words)
  if (!trade) return []
  const made = template.trades.map(findTrade).filter((t) => t !== null)
  if (made.some((t) => t.name === trade.name)) return [{ points: 40, words: `made for ${trade.name.toLowerCase()}` }]
  return made.some((t) => t.group === trade.group) ? [{ points: 24, words: `made for ${GROUP_WORDS[trade.group]}` }] : []
}

function purposeReasons(pack: Pack, template: Template, profile: TemplateProfile, purpose: Purpose): Reason[] {
  const has = (kind: Parameters<typeof profile.kinds.has>[0]): boolean => profile.kinds.has(kind)
  const inHeader = new Set<string>(shownPlaces(getDesign(pack, template.header.kind, template.header.design)).facts)
  const all = profile.facts
  switch (purpose) {
    case 'calls':
      return inHeader.has('phone') ? [{ points: 10, words: 'the telephone number is in the header of every page' }] : []
    case 'enquiries':
      return has('contact') ? [{ points: 6, words: 'a contact page that says what to write' }] : []
    case 'visits':
      return [
        ...(all.includes('hours') && all.includes('address') && has('visit')
          ? [{ points: 8, words: 'shows opening hours and the way there; made for premises' }]
          : []),
        ...(has('months') ? [{ points: 3, words: 'says what there is to see in each month' }] : []),
      ]
    case 'bookings':
      return [
        ...(profile.asking >= 4 ? [{ points: 6, words: `asks for a booking at the end of ${profile.asking} pages` }] : []),
        ...(has('steps') ? [{ points: 4, words: 'tells what happens at the first visit' }] : []),
      ]
    case 'showing':
      return [
        ...(has('before-after') ? [{ points: 5, words: 'shows work before and after' }] : []),
        ...(has('gallery')
          ? [{ points: Math.min(8, Math.round(profile.pictures / 4)), words: `room for ${profile.pictures} pictures` }]
          : []),
      ]
    case 'selling':
      return has('prices') ? [{ points: 6, words: 'prices set out as a list' }] : []
    default:
      return purpose satisfies never
  }
}

function keywordReasons(template: Template, keywords: readonly string[]): Reason[] {
  const words = `${template.description} ${template.trades.join(' ')}`.toLowerCase()
  return keywords.filter((k) => words.includes(k.toLowerCase())).map((k) => ({ points: 3, words: `speaks of “${k}”` }))
}
