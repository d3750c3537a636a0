import { getDesign, shownPlaces, type Pack } from '../pack'
import { confirmedValue, isDraftValue, richFromPlain, type Edit, type EditStep, type Section, type SiteDocument, type SlotValue } from '../site'
import { findTrade } from './find-trade'
import { PHRASES, type PhraseBank } from './phrases'
import type { Trade } from './trade'

type Words = Readonly<Record<string, string>>

/**
 * The edit that fills a site with trade copy from the phrase bank: only places that nobody has filled, each marked as a
 * draft to be confirmed. It claims nothing that could be false of this client: no prices, years, names or praise. Null
 * where the trade is not known.
 */
export function firstDraft(pack: Pack, document: SiteDocument): Edit | null {
  const trade = findTrade(document.facts.trade ?? '')
  if (!trade) return null
  const words = wordsOf(document, trade)
  const sections = [...document.pages.flatMap((p) => p.sections), document.footer]
  const edits = sections.flatMap((section) => draftSection(pack, document, section, trade, words))
  return edits.length > 0 ? { type: 'batch', edits } : null
}

function wordsOf({ facts }: SiteDocument, trade: Trade): Words {
  const special = facts.special?.trim() ?? ''
  return {
    name: facts.name?.trim() ?? '',
    does: trade.does,
    town: facts.address?.locality.trim() ?? '',
    special: special === '' || /[.!?…]$/.test(special) ? special : `${special}.`,
    trade: trade.name,
  }
}

/** A phrase with its words filled in; null where one of them is not known. */
export function fillPhrase(phrase: string, words: Words): string | null {
  let isWhole = true
  const filled = phrase.replace(/\{(\w+)\}/g, (_, key: string) => {
    const word = words[key] ?? ''
    if (word === '') isWhole = false
    return word
  })
  return isWhole ? filled : null
}

const firstWhole = (phrases: readonly string[], words: Words): string | null => phrases.map((p) => fillPhrase(p, words)).find((p) => p !== null) ?? null
const allWhole = (phrases: readonly string[], words: Words): string => phrases.map((p) => fillPhrase(p, words)).filter((p) => p !== null).join('\n')

function draftSection(pack: Pack, document: SiteDocument, section: Section, trade: Trade, words: Words): EditStep[] {
  const bank = PHRASES[trade.group]
  const pageKey = document.pages.find((p) => p.sections.some((s) => s.id === section.id))?.from?.split('/').at(-1) ?? ''
  const shown = new Set(shownPlaces(getDesign(pack, section.kind, section.design)).slots.map((s) => s.slot))
  const drafted = draftOf(section, bank, trade, words, pageKey)
  const edits: EditStep[] = []
  const set = (slot: string, value: SlotValue): void => {
    if (section.slots[slot] === undefined && shown.has(slot.split('/')[0] ?? '')) edits.push({ type: 'slot/set', section: section.id, slot, value })
  }
  for (const [slot, text] of Object.entries(drafted.texts)) if (text) set(slot, { type: 'text', text, draft: true })
  for (const [slot, text] of Object.entries(drafted.rich)) if (text) set(slot, { type: 'rich', rich: richFromPlain(text), draft: true })
  if (drafted.items.length > 0 && section.slots.items === undefined && !Object.keys(section.slots).some((s) => s.startsWith('items/'))) {
    set('items', { type: 'list', order: drafted.items.map((_, i) => `t${i + 1}`) })
    drafted.items.forEach((item, i) => {
      for (const [field, text] of Object.entries(item)) {
        const rich = section.kind === 'questions' && field === 'answer'
        set(`items/t${i + 1}/${field}`, rich ? { type: 'rich', rich: richFromPlain(text), draft: true } : { type: 'text', text, draft: true })
      }
    })
  }
  return edits
}

type Drafted = { readonly texts: Readonly<Record<string, string | null>>; readonly rich: Readonly<Record<string, string>>; readonly items: readonly Readonly<Record<string, string>>[] }
const NOTHING: Drafted = { texts: {}, rich: {}, items: [] }

function draftOf(section: Section, bank: PhraseBank, trade: Trade, words: Words, pageKey: string): Drafted {
  switch (section.kind) {
    case 'hero': return { texts: { heading: firstWhole(bank.hero, words) }, rich: { lead: allWhole(bank.lead, words) }, items: [] }
    case 'services': return { texts: { heading: bank.services }, rich: {}, items: trade.services.map((title, i) => ({ title, text: bank.service[i % bank.service.length] ?? '' })) }
    case 'story': return pageKey === 'home' || pageKey === 'about' ? { texts: { heading: bank.story.heading }, rich: { body: allWhole(bank.story.body, words) }, items: [] } : NOTHING
    case 'steps': return { texts: { heading: bank.steps.heading }, rich: {}, items: bank.steps.items.map(([title, text]) => ({ title, text })) }
    case 'questions': return { texts: {}, rich: {}, items: bank.questions.flatMap(([question, answer]) => {
      const filled = fillPhrase(answer, words)
      return filled ? [{ question, answer: filled }] : []
    }) }
    case 'action': return { texts: { heading: bank.action[0], text: bank.action[1] }, rich: {}, items: [] }
    case 'visit': return { texts: { heading: bank.visit }, rich: {}, items: [] }
    case 'title': return { texts: { heading: titleOf(pageKey, bank, words) }, rich: {}, items: [] }
    case 'footer': return { texts: { closing: fillPhrase(bank.closing, words) }, rich: {}, items: [] }
    default: return NOTHING
  }
}

function titleOf(pageKey: string, bank: PhraseBank, words: Words): string | null {
  if (pageKey === 'about') return fillPhrase('About {name}', words)
  if (pageKey === 'services') return bank.services
  return pageKey === 'contact' ? bank.contact : null
}

/** The edit that makes every draft of some sections the client's own words. */
export function confirmDrafts(sections: readonly Section[]): Edit | null {
  const edits = sections.flatMap((section) => Object.entries(section.slots).flatMap(([slot, value]): EditStep[] => {
    return isDraftValue(value) ? [{ type: 'slot/set', section: section.id, slot, value: confirmedValue(value) }] : []
  }))
  return edits.length > 0 ? { type: 'batch', edits } : null
}
