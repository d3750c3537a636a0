import { expect, test } from 'vitest'
import { testSite } from '../../../tests/pack'
import { edited, setText } from '../../../tests/site'
import { confirmDrafts, fillPhrase, findTrade, firstDraft, suggestTrades, TRADE_GROUPS, TRADES } from '.'
import { countLeftovers } from '../fill'
import {
  allSections,
  applyEdit,
  entriesOf,
  findSection,
  isDraftValue,
  plainWords,
  type Edit,
  type Facts,
  type SiteDocument,
  type SlotValue,
} from '../site'

const site = (facts: Facts): ReturnType<typeof testSite> => testSite(facts)
/** Every value of a site's sections and their entries. */
const valuesOf = (document: SiteDocument): SlotValue[] =>
  allSections(document).flatMap((s) => [s, ...entriesOf(document, s.id)].flatMap((of) => Object.values(of.slots)))
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
  expect(firstDraft(pack, edited(drafted, { type: 'fact/set', fact: 'trade', value: 'zeppelin pilot' }))).toBeNull()
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
