import { expect, test } from 'vitest'
import { random } from '../../../tests/random'
import {
  breaksOf,
  heldBy,
  heldIn,
  heldStyle,
  leastRoom,
  linesEverywhere,
  linesIn,
  overAt,
  piecesIn,
  piecesOf,
  type Piece,
  type Room,
  type TextSetting,
} from '.'

/** A room, as designed and as its column is, in em of words that are `size` px. */
const roomOf = (room: number, size: number, width = 1280, column = room): Room => ({ width, room, column, size })

/** Every letter is half an em long, spaces too. */
const ruler = (words: string): number => [...words].length / 2
const of = (words: string): readonly Piece[] => piecesOf(words, ruler)
const setting = (limit: number | null): TextSetting => ({ letters: 0, limit, insets: { ul: 1, ol: 2 } })

test('a line is filled before the next is begun; spaces hang over its end', () => {
  const text = of('one two three')
  expect([6.5, 6.4, 3.5, 2.4].map((room) => linesIn(text, room))).toEqual([1, 2, 2, 4])
  expect(linesIn(of('one two three '), 6.5)).toBe(1)
  expect(linesIn(of(''), 1)).toBe(1)
})

test('a line must end where it is told to, and not where spaces do not break', () => {
  expect(linesIn(of('one\ntwo three'), 99)).toBe(2)
  expect(linesIn(of('10\u00a0km away'), 2.6)).toBe(2)
  expect(breaksOf('10\u00a0km away').map(({ at }) => at)).toEqual([6, 10])
})

test('a word longer than the room is broken within; one that may be hyphenated ends a line with a hyphen that has room', () => {
  expect(linesIn(of('abcdefghij'), 2)).toBe(3)
  const hyphenated = of('abcd\u00adefgh ij')
  expect(linesIn(hyphenated, 4)).toBe(2)
  // Nine letters and the space; the hyphen has no room beside the first four.
  expect(linesIn(hyphenated, 2.4)).toBe(3)
  expect(linesIn(hyphenated, 2.5)).toBe(3)
})

test('the shortest room for a number of lines is the shortest: a little less takes more, whatever the text', () => {
  const next = random(7)
  for (let n = 0; n < 300; n++) {
    const words = Array.from({ length: 1 + Math.floor(next() * 14) }, () => 'x'.repeat(1 + Math.floor(next() * 11))).join(' ')
    const text = of(words)
    const widest = Math.max(...text.map(({ seen }) => seen))
    for (const most of [1, 2, 3]) {
      const room = leastRoom(text, most)
      expect(linesIn(text, room)).toBeLessThanOrEqual(most)
      if (room > widest + 0.01) expect(linesIn(text, room - 0.01)).toBeGreaterThan(most)
    }
  }
})

test('held to its lines a text takes no more of them in any room in which it is not set too small', () => {
  const text = of('The clocks of three towns, wound and mended')
  for (const hold of [1, 2, 3] as const) {
    const held = heldBy(hold, [text])
    for (let room = 4; room < 40; room += 0.1) {
      const { share, lines } = heldIn(held, text, roomOf(room, 48))
      expect(share).toBeLessThanOrEqual(1)
      if (share > 0.7) expect(lines).toBeLessThanOrEqual(hold)
      else expect(share).toBe(0.7)
    }
  }
})

test('texts that are to be alike take as many lines as the one with the fewest, in every room', () => {
  const texts = ['Repairs', 'Restoration of longcase clocks', 'Winding by contract'].map(of)
  const held = heldBy('alike', texts)
  expect(held.steps.at(-1)?.from).toBe(0)
  for (let room = 12; room < 30; room += 0.05) {
    const fewest = Math.min(...texts.map((text) => linesIn(text, room)))
    for (const text of texts) {
      const { share, lines } = heldIn(held, text, roomOf(room, 100))
      if (share > 0.7) expect(lines).toBeLessThanOrEqual(fewest)
    }
  }
})

test('words are set no smaller than 16 px, and small ones not smaller at all', () => {
  const text = of('some rather longer words than there is room for')
  const held = heldBy(1, [text])
  expect(heldIn(held, text, roomOf(10, 20)).share).toBe(0.8)
  expect(heldIn(held, text, roomOf(10, 14)).share).toBe(1)
  expect(heldStyle({ measure: null, letters: -0.02, steps: [{ from: 0, within: 12 }] })).toBe(
    '--held:clamp(min(1em,max(0.7em,1rem)),100cqi/12,1em);--letters:-0.02em',
  )
})

test('lines are told for every width, and where they change, to the pixel', () => {
  const text = of('one two three')
  // A room that grows evenly from 3.2 em at 320 px to 7.2 at 720, and is halved from 721 on, as where a column begins.
  const rooms: Room[] = [roomOf(3.2, 20, 320), roomOf(7.2, 20, 720), roomOf(3.605, 20, 721), roomOf(9.6, 20, 1920)]
  const found = linesEverywhere(null, text, rooms)
  expect(found.map(({ from, to, lines }) => [from, to, lines])).toEqual([
    [320, 349, 3],
    [350, 649, 2],
    [650, 720, 1],
    [721, 1299, 2],
    [1300, 1920, 1],
  ])
  // Width by width it is the same.
  for (const { from, to, lines } of found)
    for (const width of [from, to]) {
      const room = width <= 720 ? width / 100 : width / 200
      expect(linesIn(text, room), String(width)).toBe(lines)
    }
})

test('where nothing will do, the words over the limit are told', () => {
  const words = 'Longer words than two lines have room for'
  const text = of(words)
  const held = heldBy(2, [text])
  expect(overAt(held, text, 2, [roomOf(30, 40, 1280)])).toBeNull()
  const at = overAt(held, text, 2, [roomOf(6, 40, 320)])
  expect(words.slice(at ?? 0)).toBe('room for')
})

test('a line may first be longer than designed, as far as its column goes, before its words are set smaller', () => {
  const text = of('It stopped. That is where we start.')
  const held = heldBy(1, [text], setting(9.7))
  expect(held.measure).toBeCloseTo(17.7, 1)
  expect(heldIn(held, text, roomOf(9.7, 78, 1280, 20))).toEqual({ share: 1, lines: 1 })
  const narrow = heldIn(held, text, roomOf(9.7, 78, 1280, 14))
  expect(narrow.lines).toBe(1)
  expect(narrow.share).toBeCloseTo(14 / 17.71, 2)
  // One that fits as designed keeps its measure, and none is made longer than reads well.
  expect(heldBy(2, [text], setting(9.7)).measure).toBeNull()
  expect(heldBy(1, [of('word '.repeat(60))], setting(30)).measure).toBe(40)
})

test('entries of a list have as much less room as their lists set them in, however long they are', () => {
  const text = piecesIn({ words: 'ab cd\nab cd\nab cd', lists: [[], ['ul'], ['ul', 'ol']] }, ruler, setting(null))
  // Half an em a letter: 2.5 em in one line, and 1 or 3 em that their lists take.
  expect([5.5, 5.4, 4].map((room) => linesIn(text, room))).toEqual([3, 4, 4])
  expect(leastRoom(text, 3)).toBeCloseTo(5.5, 2)
  expect(heldIn(heldBy(3, [text], setting(null)), text, roomOf(5, 30)).lines).toBe(3)
  expect(overAt(null, text, 3, [roomOf(5.4, 30)])).toBe('ab cd\nab cd\nab '.length)
})
