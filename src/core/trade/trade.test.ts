import { expect, test } from 'vitest'
import { testSite } from '../../../tests/pack'
import { edited, setText } from '../../../tests/site'
import { confirmDrafts, fillPhrase, findTrade, firstDraft, suggestTrades, TRADE_GROUPS, TRADES, tradeWithPhrases } from '.'
import { countLeftovers } from '../fill'
import {
  allSections,
  applyEdit,
  entriesOf,
  findSection,
  isDraftValue,
  pagesOf,
  plainWords,
  sectionsOn,
  ownValues,
  sharedSections,
  type Edit,
  type Facts,
  type SiteDocument,
  type SlotValue,
} from '../site'

const site = (facts: Facts): ReturnType<typeof testSite> => testSite(facts)
/** Every value of a site's sections and their entries. */
const valuesOf = (document: SiteDocument): SlotValue[] =>
  allSections(document).flatMap((s) => [s, ...entriesOf(document, s.id)].flatMap((of) => Object.values(ownValues(of.slots))))
const apply = (document: SiteDocument, edit: Edit | null): SiteDocument => {
  const applied = edit && applyEdit(document, edit)
  if (!applied?.ok) throw new Error('not applied')
  return applied.document
}

test('there are at least 150 trades, each with services and something it does, and no name twice', () => {
  expect(TRADES.length).toBeGreaterThanOrEqual(150)
  expect(new Set(TRADES.map((t) => t.name)).size).toBe(TRADES.length)
  for (const trade of TRADES) {
    expect(trade.services.length, trade.name).toBeGreaterThanOrEqual(3)
    expect(trade.does, trade.name).toMatch(/^[a-z][^.]+$/)
    expect(
      trade.alsoCalled.every((w) => w.trim() !== ''),
      trade.name,
    ).toBe(true)
  }
  expect(new Set(TRADES.map((t) => t.group))).toEqual(new Set(TRADE_GROUPS))
})

test('a trade is found by its name, by what people call it, and inside a longer phrase', () => {
  expect(findTrade('physio')?.type).toBe('Physiotherapy')
  expect(findTrade('Watchmaker')?.name).toBe('Clock and watch repair')
  expect(findTrade('CAFE')?.name).toBe('Café')
  expect(findTrade('Mobile dog groomer, Bath')?.name).toBe('Dog grooming')
  expect(findTrade('childrens nursery')?.type).toBe('ChildCare')
  for (const unknown of ['', '   ', 'zeppelin pilot', 'veto']) expect(findTrade(unknown), unknown).toBeNull()
})

test('what is typed so far suggests trades, the nearest first, and says by which word', () => {
  expect(suggestTrades('plum')[0]?.trade.name).toBe('Plumbing')
  expect(suggestTrades('sparky')[0]).toMatchObject({ trade: { name: 'Electrical work' }, via: 'sparky', rank: 0 })
  expect(suggestTrades('nur').map((s) => s.trade.name)).toContain('Plant nursery')
  expect(suggestTrades('a').length).toBeLessThanOrEqual(8)
  expect(suggestTrades('')).toEqual([])
})

test('a phrase is filled, or left out where a word is not known', () => {
  expect(fillPhrase('We {does} in {town}', { does: 'mend clocks', town: 'Eastmere' })).toBe('We mend clocks in Eastmere')
  expect(fillPhrase('We {does} in {town}', { does: 'mend clocks', town: '' })).toBeNull()
})

test('three answers fill every page with the trade’s words, all of them marked as drafts', () => {
  const { document, pack } = site({ name: 'Corder & Finch', trade: 'upholsterer', special: 'Horsehair, never foam' })
  const before = countLeftovers(pack, document)
  const drafted = apply(document, firstDraft(pack, document))
  const after = countLeftovers(pack, drafted)
  expect(after.drafts).toBeGreaterThan(30)
  expect(after.total).toBeLessThan(before.total)
  const words = valuesOf(drafted).map(plainWords).join(' ')
  expect(words).toContain('re-cover and re-spring furniture')
  expect(words).toContain('Horsehair, never foam.')
  expect(words).toContain('Window-seat cushions')
  expect(words).not.toMatch(/[{}]|undefined/)
})

test('a draft never goes over what somebody has written', () => {
  const { document, pack } = site({ name: 'C', trade: 'Plumbing' })
  const written = apply(document, setText('home.hero', 'heading', 'Ours'))
  const drafted = apply(written, firstDraft(pack, written))
  expect(findSection(drafted, 'home.hero')!.slots.heading).toEqual({ type: 'text', text: 'Ours' })
  expect(firstDraft(pack, edited(document, { type: 'fact/set', fact: 'trade', value: ' ' }))).toBeNull()
})

test('confirming makes drafts the client’s words without changing one of them', () => {
  const { document, pack } = site({ name: 'C', trade: 'Plumbing' })
  const drafted = apply(document, firstDraft(pack, document))
  const confirmed = apply(drafted, confirmDrafts(drafted, allSections(drafted)))
  expect(countLeftovers(pack, confirmed).drafts).toBe(0)
  const words = (of: SiteDocument): string[] => valuesOf(of).map(plainWords).sort()
  expect(words(confirmed)).toEqual(words(drafted))
  expect(valuesOf(confirmed).some(isDraftValue)).toBe(false)
  expect(confirmDrafts(confirmed, allSections(confirmed))).toBeNull()
})

test.each(['zeppelin pilot', 'boat upholsterer and sailmaker'])('a trade that the bank lacks, %s, gets no neighbour’s words', (trade) => {
  const { document, pack } = site({ name: 'Aloft', trade })
  const drafted = apply(document, firstDraft(pack, document))
  const words = valuesOf(drafted).map(plainWords).join(' ')
  expect(words).toContain('Tell us what you have in mind')
  for (const { does, services } of TRADES)
    for (const phrase of [does, ...services].filter((p) => p.includes(' '))) expect(words.includes(phrase), phrase).toBe(false)
  expect(valuesOf(drafted).some(isDraftValue)).toBe(true)
})

test('what leaves a trade the same trade leaves it its words', () => {
  expect(tradeWithPhrases('Mobile dog groomer, Bath', 'Bath')?.name).toBe(findTrade('dog groomer')?.name)
  expect(tradeWithPhrases('Mobile dog groomer, Bath', 'York')).toBeNull()
  expect(tradeWithPhrases('upholsterer', '')?.name).toBe(findTrade('upholsterer')?.name)
  expect(tradeWithPhrases('', '')).toBeNull()
})

test('no page of a draft says a sentence twice, in any family of trades', () => {
  for (const group of TRADE_GROUPS) {
    const trade = TRADES.find((t) => t.group === group)!
    const address = { street: '1 Quay', locality: 'Eastmere', postcode: '', country: 'GB' }
    const { document, pack } = site({ name: 'Corder & Finch', trade: trade.name, special: 'Open on Sundays', address })
    const drafted = apply(document, firstDraft(pack, document))
    const shared = sharedSections(drafted)
    for (const page of pagesOf(drafted)) {
      const values = [...sectionsOn(drafted, page.id), ...shared].flatMap((section) => [
        ...Object.values(ownValues(section.slots)),
        ...entriesOf(drafted, section.id).flatMap((entry) => Object.values(ownValues(entry.slots))),
      ])
      const sentences = values
        .filter((value) => isDraftValue(value) && value.type !== 'link')
        .flatMap((value) => plainWords(value).split(/(?<=[.!?…])\s+/))
        .filter((sentence) => sentence.split(' ').length > 3)
        .map((sentence) =>
          sentence
            .toLowerCase()
            .replace(/[^\p{L}\p{N}]+/gu, ' ')
            .trim(),
        )
      expect(
        sentences.filter((s, i) => sentences.indexOf(s) !== i),
        `${group}, ${page.id}`,
      ).toEqual([])
    }
  }
})
