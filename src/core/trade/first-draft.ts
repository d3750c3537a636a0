import { own } from '../own'
import { findDesign, shownPlaces, type Pack } from '../pack'
import { richFromPlain } from '../rich'
import {
  allSections,
  confirmedValue,
  entriesOf,
  factsOf,
  findSection,
  findSlotType,
  isDraftValue,
  pageOf,
  pageOfSection,
  pagesOf,
  refOf,
  type Edit,
  type EditStep,
  type EntryRef,
  type LinkTarget,
  type Section,
  type SectionId,
  type SectionKind,
  type SiteDocument,
  type SlotPlace,
  type SlotValue,
  ownValues,
} from '../site'
import { tradeWithPhrases } from './find-trade'
import { NEUTRAL, PHRASES, type PhraseBank } from './phrases'
import type { Trade } from './trade'

type Words = Readonly<Record<string, string>>

/**
 * The edit that fills a site with trade copy from the phrase bank: only places that nobody has filled, each marked as a
 * draft to be confirmed. It claims nothing that could be false of this client: no prices, years, names or praise; a trade that
 * the bank has no phrases for gets those that any business can say. No page says a sentence twice. Null where no trade was given.
 */
export function firstDraft(pack: Pack, document: SiteDocument): Edit | null {
  const asked = tradeAsked(document)
  if (!asked) return null
  const { trade, words } = asked
  // What stands at the foot of every page says nothing that any of them says.
  const pages = new Map<string, Set<string>>()
  const everywhere = new Set<string>()
  const saidOn = (section: Section): Said => {
    const page = pageOfSection(document, section.id)?.id ?? ''
    const here = pages.get(page) ?? new Set()
    pages.set(page, here)
    return page === '' ? { has: (key) => everywhere.has(key), add: (key) => void everywhere.add(key) } : both(here, everywhere)
  }
  const sections = allSections(document)
  const inOrder = [...sections.filter((s) => pageOf(s.in) !== null), ...sections.filter((s) => pageOf(s.in) === null)]
  const edits = inOrder.flatMap((section) => draftSection(pack, document, section, trade, words, saidOn(section)))
  return edits.length > 0 ? { type: 'batch', edits } : null
}

/** What has been said so far where a section stands. */
type Said = { readonly has: (key: string) => boolean; readonly add: (key: string) => void }

/** What is said on a page is said somewhere too. */
function both(here: Set<string>, everywhere: Set<string>): Said {
  return {
    has: (key) => here.has(key),
    add: (key) => {
      here.add(key)
      everywhere.add(key)
    },
  }
}

/** The sentences of a text that were not said before, which are then said; empty where all of them were. */
function unsaid(text: string, said: Said): string {
  return text
    .split('\n')
    .map((line) =>
      line
        .split(/(?<=[.!?…])\s+/)
        .filter((sentence) => {
          const key = sentence
            .toLowerCase()
            .replace(/[^\p{L}\p{N}]+/gu, ' ')
            .trim()
          if (key === '' || said.has(key)) return false
          said.add(key)
          return true
        })
        .join(' '),
    )
    .filter((line) => line !== '')
    .join('\n')
}

function wordsOf(document: SiteDocument, trade: Trade | null, typed: string): Words {
  const facts = factsOf(document)
  const special = facts.special?.trim() ?? ''
  return {
    name: facts.name?.trim() ?? '',
    does: trade?.does ?? '',
    town: facts.address?.locality.trim() ?? '',
    special: special === '' || /[.!?…]$/.test(special) ? special : `${special}.`,
    trade: trade?.name ?? typed.trim(),
  }
}

/** A phrase with its words filled in; null where one of them is not known. */
export function fillPhrase(phrase: string, words: Words): string | null {
  let isWhole = true
  const filled = phrase.replace(/\{(\w+)\}/g, (_, key: string) => {
    const word = own(words, key) ?? ''
    if (word === '') isWhole = false
    return word
  })
  return isWhole ? filled : null
}

const firstWhole = (phrases: readonly string[], words: Words): string | null =>
  phrases.map((p) => fillPhrase(p, words)).find((p) => p !== null) ?? null
const allWhole = (phrases: readonly string[], words: Words): string =>
  phrases
    .map((p) => fillPhrase(p, words))
    .filter((p) => p !== null)
    .join('\n')

function draftSection(pack: Pack, document: SiteDocument, section: Section, trade: Trade | null, words: Words, said: Said): EditStep[] {
  const design = findDesign(pack, section.kind, section.design)
  if (!design) return []
  const pageKey = pageOfSection(document, section.id)?.origin?.page ?? ''
  const shown = new Set(shownPlaces(design).slots.map((s) => s.slot))
  const { texts, rich = {}, links = {}, items = [] } = draftOf(section.kind, trade ? PHRASES[trade.group] : NEUTRAL, trade, words, pageKey)
  const edits: EditStep[] = []
  const set = (slot: string, value: SlotValue): void => {
    if (own(section.slots, slot) === undefined && shown.has(slot))
      edits.push({ type: 'slot/set', section: section.id, entry: null, slot, value })
  }
  const isFree = (slot: string): boolean => own(section.slots, slot) === undefined && shown.has(slot)
  for (const [slot, text] of Object.entries(texts)) {
    const left = text && isFree(slot) ? unsaid(text, said) : ''
    if (left) set(slot, { type: 'text', text: left, draft: true })
  }
  for (const [slot, text] of Object.entries(rich)) {
    const left = text && isFree(slot) ? unsaid(text, said) : ''
    if (left) set(slot, { type: 'rich', rich: richFromPlain(left), draft: true })
  }
  for (const [slot, [label, to]] of Object.entries(links)) {
    const target = findTarget(document, to)
    if (target) set(slot, { type: 'link', label, to: target, draft: true })
  }
  const isUntouched = section.slots.items === undefined && entriesOf(document, section.id).length === 0
  if (items.length > 0 && isUntouched && shown.has('items'))
    edits.push(
      ...draftEntries(
        section,
        items.map((item) => unsaidItem(item, said)),
      ),
    )
  return edits
}

/** An entry keeps its own name; what it says beside it is left empty where it was said before. */
function unsaidItem(item: Readonly<Record<string, string>>, said: Said): Readonly<Record<string, string>> {
  return Object.fromEntries(
    Object.entries(item).map(([slot, text]) => [slot, slot === 'text' || slot === 'answer' ? unsaid(text, said) : text]),
  )
}

function draftEntries(section: Section, items: readonly Readonly<Record<string, string>>[]): EditStep[] {
  const at = { type: 'slot/set', section: section.id } as const
  const count: EditStep = { ...at, entry: null, slot: 'items', value: { type: 'list', of: items.length } }
  const fields = items.flatMap((item, i) =>
    Object.entries(item).map(([slot, text]): EditStep => {
      const isRich = findSlotType(section.kind, 'items', slot) === 'rich'
      const value: SlotValue = isRich ? { type: 'rich', rich: richFromPlain(text), draft: true } : { type: 'text', text, draft: true }
      return { ...at, entry: { list: 'items', nth: i + 1 }, slot, value }
    }),
  )
  return [count, ...fields]
}

/** `phone`, or the key of a page that the site has. */
function findTarget(document: SiteDocument, to: string): LinkTarget | null {
  if (to === 'phone') return { type: 'fact', fact: 'phone' }
  const page = pagesOf(document).find((p) => p.origin?.page === to)
  return page ? { type: 'page', page: page.id } : null
}

type Drafted = {
  readonly texts: Readonly<Record<string, string | null>>
  readonly rich?: Readonly<Record<string, string | null>>
  /** The link's words, and where it leads: `phone`, or the key of a page. */
  readonly links?: Readonly<Record<string, readonly [string, string]>>
  readonly items?: readonly Readonly<Record<string, string>>[]
}

/** What a section of a kind says in a trade; kinds that would have to invent something (praise, years, people) say nothing. */
function draftOf(kind: SectionKind, bank: PhraseBank, trade: Trade | null, words: Words, pageKey: string): Drafted {
  const services = trade?.services ?? []
  const reach = ['How to reach us', 'contact'] as const
  switch (kind) {
    case 'header':
      return { texts: {}, links: { action: ['Get in touch', 'contact'] } }
    case 'hero':
      return {
        texts: { heading: firstWhole(bank.hero, words) },
        rich: { lead: allWhole(bank.lead, words) },
        links: { action: ['What we do', 'services'], second: ['Ring us', 'phone'] },
      }
    case 'title':
      return draftTitle(pageKey, bank, words)
    case 'services':
      return {
        texts: { heading: bank.services },
        rich: { intro: pageKey === 'services' ? null : (bank.lead.at(-1) ?? null) },
        links: { action: ['Ask for a price', 'contact'] },
        items: services.map((title, i) => ({ title, text: bank.service[i] ?? '' })),
      }
    case 'prices':
      return {
        texts: { heading: 'What it costs' },
        rich: { intro: 'Tell us what you have in mind, and you have a price before anything begins.' },
        items: services.map((title) => ({ title, price: 'ask' })),
      }
    case 'story':
      return pageKey === 'home' || pageKey === 'about'
        ? {
            texts: { heading: bank.story.heading },
            rich: { body: allWhole(bank.story.body, words) },
            links: { action: pageKey === 'home' ? ['About us', 'about'] : reach },
          }
        : { texts: {} }
    case 'steps':
      return {
        texts: { heading: bank.steps.heading },
        rich: { intro: 'In this order, every time.' },
        items: bank.steps.items.map(([title, text]) => ({ title, text })),
      }
    case 'questions':
      return {
        texts: { heading: 'Asked often' },
        rich: { intro: 'If yours is not here, ask it.' },
        items: bank.questions.flatMap(([question, answer]) => {
          const filled = fillPhrase(answer, words)
          return filled ? [{ question, answer: filled }] : []
        }),
      }
    case 'action':
      return { texts: { heading: bank.action[0] }, rich: { text: bank.action[1] }, links: { action: reach } }
    case 'visit':
      return {
        texts: { heading: bank.visit },
        rich: { body: fillPhrase('You find us in {town}. Ring if you cannot find the door.', words) },
      }
    case 'contact':
      return {
        texts: { heading: 'What helps us answer' },
        rich: { intro: 'Three things are enough to begin with.', note: 'We answer in the order in which messages come.' },
        items: [
          { title: 'What it is about', text: 'A line or two, and a photograph where it helps.' },
          { title: 'When', text: 'The day or the week that would suit you.' },
          { title: 'How to reach you', text: 'A number, and when you answer it.' },
        ],
      }
    case 'areas':
      return words.town
        ? {
            texts: { heading: 'Where we work' },
            rich: { intro: 'Ask if you are further out.' },
            items: [{ name: words.town, text: 'and around' }],
          }
        : { texts: { heading: 'Where we work' } }
    case 'footer':
      return { texts: { closing: fillPhrase(bank.closing, words) }, rich: { legal: firstWhole(['{name}, {town}', '{name}'], words) } }
    default:
      return { texts: {} }
  }
}

function draftTitle(pageKey: string, bank: PhraseBank, words: Words): Drafted {
  switch (pageKey) {
    case 'about':
      return { texts: { heading: fillPhrase('About {name}', words) }, rich: { lead: firstWhole(['{special}', bank.closing], words) } }
    case 'services':
      return { texts: { heading: 'What we do' }, rich: { lead: bank.lead.at(-1) ?? null } }
    case 'prices':
      return { texts: { heading: 'Prices' }, rich: { lead: 'Ask, and you have a figure before anything begins.' } }
    case 'contact':
      return { texts: { heading: bank.contact }, rich: { lead: 'Whichever suits you.' } }
    case 'areas':
      return { texts: { heading: 'Where we work' }, rich: { lead: fillPhrase('In and around {town}.', words) } }
    case 'work':
    case 'gallery':
      return { texts: { heading: 'Some of our work' } }
    default:
      return { texts: {} }
  }
}

/**
 * What the phrase bank says in one place in the client's trade, whatever stands there now; null where it would have to make something up,
 * and where the trade is not known. `number` is that of the entry in its list, from 1.
 */
export function firstWordsFor(document: SiteDocument, { section: id, slot }: SlotPlace, number: number | null): string | null {
  const section = findSection(document, id)
  const asked = section && tradeAsked(document)
  if (!asked) return null
  const { trade, words } = asked
  const pageKey = pageOfSection(document, id)?.origin?.page ?? ''
  const { texts, rich, items } = draftOf(section.kind, trade ? PHRASES[trade.group] : NEUTRAL, trade, words, pageKey)
  const found = number === null ? (own(texts, slot) ?? own(rich ?? {}, slot)) : own(items?.[number - 1] ?? {}, slot)
  return found || null
}

/** Sentences of the phrase bank that are true of any business of the client's trade, and that the site does not say yet. */
export function moreSentences(document: SiteDocument): readonly string[] {
  const asked = tradeAsked(document)
  if (!asked) return []
  const { trade, words } = asked
  const bank = trade ? PHRASES[trade.group] : NEUTRAL
  const said = JSON.stringify([document.sections, document.entries])
  const phrases = [...bank.lead, ...bank.story.body, ...bank.steps.items.map(([, text]) => text), bank.action[1]]
  return phrases
    .flatMap((phrase) => fillPhrase(phrase, words) ?? [])
    .filter((sentence) => /[.!?…]$/.test(sentence) && !said.includes(sentence))
}

function tradeAsked(document: SiteDocument): { readonly trade: Trade | null; readonly words: Words } | null {
  const { trade: typed = '', address } = factsOf(document)
  if (typed.trim() === '') return null
  const trade = tradeWithPhrases(typed, address?.locality ?? '')
  return { trade, words: wordsOf(document, trade, typed) }
}

/** The edit that makes every draft of some sections the client's own words. */
export function confirmDrafts(document: SiteDocument, sections: readonly Section[]): Edit | null {
  const confirm = (section: SectionId, entry: EntryRef | null, slots: Section['slots']): EditStep[] =>
    Object.entries(ownValues(slots))
      .filter(([slot, value]) => isDraftValue(value) && own(slots, slot) === value)
      .map(([slot, value]) => ({ type: 'slot/set', section, entry, slot, value: confirmedValue(value) }))
  const edits = sections.flatMap(({ id, slots }) => [
    ...confirm(id, null, slots),
    ...entriesOf(document, id).flatMap((entry) => confirm(id, refOf(entry), entry.slots)),
  ])
  return edits.length > 0 ? { type: 'batch', edits } : null
}
