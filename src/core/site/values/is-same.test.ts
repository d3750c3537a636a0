import { isDeepStrictEqual } from 'node:util'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { isSame } from '.'

test('is what Node calls deeply equal, for any two values of JSON', () => {
  const value = fc.jsonValue({ maxDepth: 3 })
  const pair = fc.oneof(
    fc.tuple(value, value),
    value.map((one) => [one, structuredClone(one)] as const),
  )
  fc.assert(fc.property(pair, ([a, b]) => isSame(a, b) === isDeepStrictEqual(JSON.parse(JSON.stringify(a)), JSON.parse(JSON.stringify(b)))))
})

test.each([
  [{ a: 1, b: 2 }, { b: 2, a: 1 }, true],
  [{ a: 1, b: undefined }, { a: 1 }, true],
  [{ a: 1 }, { a: 1, b: undefined }, true],
  [{ a: null }, {}, false],
  [{}, { a: null }, false],
  [[1, 2], [2, 1], false],
  [[], {}, false],
  ['1', 1, false],
])('%j and %j', (a, b, same) => {
  expect(isSame(a, b)).toBe(same)
})
