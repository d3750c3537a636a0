import { describe, expect, test } from 'vitest'
import { random } from '../../../tests/random'
import { cutToRoom, SEARCH_PREVIEW, type Measure } from '.'

/** Every letter is half its size wide. */
const half: Measure = (words, sizePx) => [...words].length * sizePx * 0.5
const room = { sizePx: 10, widthPx: 100, lines: 1 } // twenty letters

describe('what others show of a page', () => {
  test('is all of it where it fits, to the last letter', () => {
    expect(cutToRoom('twenty letters wide.', room, half)).toEqual({ words: 'twenty letters wide.', isCut: false, share: 1 })
    expect(cutToRoom('  two \n words ', room, half)).toMatchObject({ words: 'two words', isCut: false, share: 0.45 })
    expect(cutToRoom('', room, half)).toEqual({ words: '', isCut: false, share: 0 })
  })

  test('ends after a whole word with an ellipsis where it does not, and within a word that is wider than the room', () => {
    expect(cutToRoom('twenty letters wide, and', room, half)).toMatchObject({ words: 'twenty letters …', isCut: true })
    expect(cutToRoom('a'.repeat(40), room, half).words).toBe(`${'a'.repeat(18)} …`)
  })

  test('a word that a line has no room for begins the next', () => {
    const two = { ...room, lines: 2 }
    expect(cutToRoom('eleven long, and and eleven more here', two, half)).toMatchObject({ isCut: false })
    // Forty letters in all, and there is room for forty; but not so that each word stands whole in a line.
    const words = 'elevens elevens elevens elevens and more'
    expect(words).toHaveLength(40)
    expect(cutToRoom(words, two, half)).toMatchObject({ words: 'elevens elevens elevens elevens …', isCut: true })
    expect(cutToRoom('a'.repeat(40), two, half)).toMatchObject({ isCut: false, share: 1 })
  })

  test('never takes more lines than there are, whatever is said', () => {
    const roll = random(20261128)
    for (let n = 0; n < 400; n++) {
      const text = Array.from({ length: Math.floor(roll() * 40) }, () => 'wörd🙂'.slice(0, 1 + Math.floor(roll() * 6))).join(' ')
      for (const { title, description } of Object.values(SEARCH_PREVIEW))
        for (const one of [title, description]) {
          const seen = cutToRoom(text, one, half)
          expect(cutToRoom(seen.words, one, half).isCut, seen.words).toBe(false)
          expect(seen.isCut).toBe(seen.share > 1)
        }
    }
  })
})
