import { expect, test, vi } from 'vitest'
import { memoBy, memoOf } from './memo'

test('an answer is made once for an object, whatever it is', () => {
  const make = vi.fn((of: { readonly n: number }) => (of.n === 0 ? undefined : of.n * 2))
  const twice = memoOf(make)
  const [nought, two] = [{ n: 0 }, { n: 2 }]
  expect([twice(two), twice(two), twice(nought), twice(nought)]).toEqual([4, 4, undefined, undefined])
  expect(make).toHaveBeenCalledTimes(2)
  expect(twice({ n: 2 })).toBe(4)
  expect(make).toHaveBeenCalledTimes(3)
})

test('an answer holds while each of its parts is the same one, and as many of them', () => {
  const make = vi.fn((of: object, by: readonly unknown[], said: string) => ({ of, by, said }))
  const asked = memoBy((of, by) => [of, ...by], make)
  const [of, other, part] = [{}, {}, {}]
  const first = asked(of, [part, 'a'], 'first')
  // What is no part of the answer changes nothing.
  expect(asked(of, [part, 'a'], 'second')).toBe(first)
  expect(asked(of, [{}, 'a'], 'another part')).not.toBe(first)
  expect(asked(of, [part, 'a'], 'as at first').said).toBe('as at first')
  expect(asked(of, [part], 'fewer').said).toBe('fewer')
  expect(asked(of, [part, 'a', 1], 'more').said).toBe('more')
  const before = asked(of, [part], 'one')
  expect(asked(other, [part], 'two').said).toBe('two')
  expect(asked(of, [part], 'three')).toBe(before)
})
