import { expect, test } from 'vitest'
import { testAssets, testPack } from '../../../tests/pack'
import { bySuiting, isWithin, suitsBrief, tellingApart, templateProfile, type Candidate } from '.'
import type { Facts } from '../site'

const pack = testPack()
const candidates = (facts: Facts): Candidate[] =>
  Object.values(pack.templates).map((template) => {
    const profile = templateProfile(pack, testAssets(), template)
    return { template, profile, suits: suitsBrief(pack, template, profile, facts) }
  })
const order = (facts: Facts): string[] =>
  candidates(facts)
    .sort(bySuiting)
    .map((c) => c.template.id)
const of = (facts: Facts, id: string): Candidate => candidates(facts).find((c) => c.template.id === id)!

test('each of the four is put first for the trades it was made for, and says why', () => {
  for (const [trade, id] of [
    ['watchmaker', 'tallow'],
    ['dentist', 'limewash'],
    ['tree surgeon', 'windrow'],
    ['plumber', 'gantry'],
  ] as const) {
    expect(order({ trade })[0], trade).toBe(id)
    expect(of({ trade }, id).suits.reasons[0]).toMatch(/^made for /)
  }
  // A trade that no template names goes by its family.
  expect(order({ trade: 'Chimney sweep' })[0]).toBe('gantry')
  expect(of({ trade: 'Chimney sweep' }, 'gantry').suits.reasons[0]).toBe('made for trades that work in people’s homes')
})

test('purposes count what the template’s own designs show, nothing that it claims', () => {
  expect(of({ purposes: ['visits'] }, 'windrow').suits.reasons).toContain('shows opening hours and the way there; made for premises')
  expect(of({ purposes: ['visits'] }, 'gantry').suits.reasons).toEqual([])
  expect(of({ purposes: ['calls'] }, 'windrow').suits.reasons).toEqual([]) // No number in its header.
  expect(of({ purposes: ['calls'] }, 'gantry').suits.reasons).toEqual(['the telephone number is in the header of every page'])
  expect(of({ purposes: ['showing'] }, 'gantry').suits.reasons[0]).toBe('shows work before and after')
  expect(of({ keywords: ['twelve months'] }, 'windrow').suits.reasons).toEqual(['speaks of “twelve months”'])
})

test('with nothing known no template is preferred, and the order is that of their names', () => {
  expect(candidates({}).every((c) => c.suits.score === 0)).toBe(true)
  expect(order({})).toEqual(['blank', 'gantry', 'limewash', 'tallow', 'windrow'])
})

test('a profile counts pages, pictures, places and weight from the files', () => {
  const { profile } = of({}, 'gantry')
  expect(profile.pages.map((p) => p.key)).toEqual(['home', 'about', 'services', 'prices', 'work', 'areas', 'contact', 'landing', 'legal'])
  expect(profile.pictures).toBeGreaterThan(15)
  expect(profile.facts).toEqual(expect.arrayContaining(['name', 'phone', 'address']))
  expect(of({}, 'blank').profile.homeBytes).toBeLessThan(profile.homeBytes)
})

test('only what tells templates apart is offered: what all or none of them are would narrow nothing', () => {
  const all = candidates({})
  expect(tellingApart(all, ['free', '£20'], (price) => ({ price }))).toEqual([])
  expect(tellingApart(all, ['before-after', 'hero', 'months'] as const, (kind) => ({ kind }))).toEqual(['before-after', 'months'])
  const [least = 0, ...more] = all.map((c) => c.profile.pictures).sort((a, b) => a - b)
  expect(tellingApart(all, [least, more.at(-1) ?? 0], (mostPictures) => ({ mostPictures }))).toEqual([least])
})

test('every condition narrows, all of them hold at once, and what nothing meets leaves nothing', () => {
  const within = (asked: Parameters<typeof isWithin>[1]): string[] =>
    candidates({})
      .filter((c) => isWithin(c, asked))
      .map((c) => c.template.id)
      .sort()
  expect(within({})).toHaveLength(5)
  expect(within({ words: 'month' })).toEqual(['windrow'])
  expect(within({ words: 'GREEN rows' })).toEqual(['windrow'])
  expect(within({ trade: 'electrician' })).toEqual(['gantry'])
  expect(within({ purpose: 'showing' })).toEqual(['gantry', 'limewash', 'tallow', 'windrow'])
  expect(within({ kind: 'before-after' })).toEqual(['gantry'])
  expect(within({ page: 'Through the year' })).toEqual(['windrow'])
  expect(within({ mostPictures: of({}, 'blank').profile.pictures })).toEqual(['blank'])
  expect(within({ mostBytes: 1 })).toEqual([])
  expect(within({ price: 'free', licence: 'Free for any client site', favourites: ['tallow', 'gone'] })).toEqual(['tallow'])
  expect(within({ kind: 'months', page: 'Where' })).toEqual([])
})
