import { expect, test } from 'vitest'
import { rankBetween, ranks, rankSchema } from '../../src/core/site'
import * as v from 'valibot'

// The documented values of the package fractional-indexing (README, “API”), after David Greenspan, “Implementing
// Fractional Indexing” (2020).
test.each([
  [null, null, 'a0'],
  ['a0', null, 'a1'],
  ['a1', null, 'a2'],
  [null, 'a0', 'Zz'],
  ['a1', 'a2', 'a1V'],
  // From its own test file, written from memory.
  [null, 'Zz', 'Zy'],
  ['a0', 'a1', 'a0V'],
  ['a0V', 'a1', 'a0l'],
  ['Zz', 'a0', 'ZzV'],
  ['Zz', 'a1', 'a0'],
  [null, 'Y00', 'Xzzz'],
  ['bzz', null, 'c000'],
  ['a0', 'a0V', 'a0G'],
  ['a0', 'a0G', 'a08'],
  ['b125', 'b129', 'b127'],
  ['a0', 'a1V', 'a1'],
  ['Zz', 'a01', 'a0'],
  [null, 'a0V', 'a0'],
  [null, 'b999', 'b99'],
])('between %s and %s lies %s', (before, after, rank) => {
  expect(rankBetween(before, after)).toBe(rank)
  expect(v.is(rankSchema, rank)).toBe(true)
})

test('a row of five begins as its README shows', () => {
  expect(ranks(5)).toEqual(['a0', 'a1', 'a2', 'a3', 'a4'])
})
