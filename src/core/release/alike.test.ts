import { describe, expect, test } from 'vitest'
import { random } from '../../../tests/random'
import { partsAlike, type Part } from '.'

const joined = (before: Uint8Array, parts: readonly Part[]): Buffer =>
  Buffer.concat(parts.map((part) => ('fresh' in part ? part.fresh : before.subarray(part.from, part.from + part.bytes))))
const freshBytes = (parts: readonly Part[]): number => parts.reduce((sum, part) => sum + ('fresh' in part ? part.fresh.length : 0), 0)
const roll = random(28)
const some = (bytes: number, letters = 256): Buffer => Buffer.from(Array.from({ length: bytes }, () => Math.floor(roll() * letters)))

describe('what a content shares with an earlier one', () => {
  test('is put together again to the last byte, whatever was cut, moved, doubled or written anew', () => {
    for (let round = 0; round < 400; round++) {
      // Few letters: stretches that are alike by chance, and blocks that are there many times over.
      const letters = [2, 7, 256][round % 3]!
      const before = some(Math.floor(roll() * 3000), letters)
      const pieces = Array.from({ length: Math.floor(roll() * 6) }, () => {
        const from = Math.floor(roll() * before.length)
        return roll() < 0.7 ? before.subarray(from, from + Math.floor(roll() * 1500)) : some(Math.floor(roll() * 300), letters)
      })
      const after = Buffer.concat(pieces)
      expect(joined(before, partsAlike(before, after)).equals(after), `round ${round}`).toBe(true)
    }
  })

  test('is all but the change: a word, two words far apart, a section that moved', () => {
    const page = some(30_000)
    const changed = (at: number, words: string, of: Buffer = page): Buffer =>
      Buffer.concat([of.subarray(0, at), Buffer.from(words), of.subarray(at + 5)])
    expect(freshBytes(partsAlike(page, changed(12_345, 'another word')))).toBeLessThan(2 * 'another word'.length)
    expect(freshBytes(partsAlike(page, changed(25_000, 'far', changed(300, 'near'))))).toBeLessThan(20)
    const moved = Buffer.concat([page.subarray(0, 1000), page.subarray(9000, 20_000), page.subarray(1000, 9000), page.subarray(20_000)])
    expect(freshBytes(partsAlike(page, moved))).toBeLessThan(10)
    expect(partsAlike(page, page)).toEqual([{ from: 0, bytes: 30_000 }])
  })

  test('is nothing where they have nothing in common, and stretches that are not worth it are left out', () => {
    const [before, after] = [some(5000), some(5000)]
    expect(partsAlike(before, after)).toEqual([{ fresh: after }])
    expect(partsAlike(before, Buffer.concat([after, before.subarray(0, 100)]))).toHaveLength(1)
    expect(partsAlike(before, Buffer.alloc(0))).toEqual([])
  })
})
