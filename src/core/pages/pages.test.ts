import { expect, test } from 'vitest'
import { toSegment } from '.'

test('what a page is called becomes a part of an address, in any script, and ends at a word', () => {
  expect(toSegment('Über uns')).toBe('ueber-uns')
  expect(toSegment('Prices & terms, 2026')).toBe('prices-and-terms-2026')
  expect(toSegment('Κατάλογος')).toBe('katalogos')
  expect(toSegment('… !?')).toBe('')
  expect(toSegment('one two three', 9)).toBe('one-two')
  expect(toSegment('one two three', 7)).toBe('one-two')
  expect(toSegment('onetwothree', 5)).toBe('onetw')
  const long = toSegment('A name of nearly a hundred letters that goes on and on, as some names of companies do, & Sons Ltd')
  expect(long).toMatch(/^[a-z0-9]+(-[a-z0-9]+)*$/)
  expect(long.length).toBeLessThanOrEqual(80)
  expect('a-name-of-nearly-a-hundred-letters-that-goes-on-and-on-as-some-names-of-companies-do-and-sons-ltd'.split(long)[1]).toMatch(/^-/)
})
