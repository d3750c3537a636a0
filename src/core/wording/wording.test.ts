import { describe, expect, test } from 'vitest'
import { compareWords, fleschEase, readingEase, suggestWords } from '.'
import { otherOrder, plainer, shorter } from './change-words'

const NOTHING = { first: null, more: [] }

describe('reading ease', () => {
  // The two examples with which encyclopedias explain Flesch's formula: 116.145, and 37.455 for 13 words of 24 syllables. From memory.
  test('is Flesch’s number', () => {
    expect(readingEase('The cat sat on the mat.', 'en')!).toMatchObject({ formula: 'Flesch', said: 'very easy', sentences: 1 })
    expect(readingEase('The cat sat on the mat.', 'en')!.score).toBeCloseTo(116.145, 3)
    expect(fleschEase(13, 1, 24)).toBeCloseTo(37.455, 3)
    // Syllables are counted by rule: two more than by ear in this sentence, on which ears differ.
    expect(readingEase('The Australian platypus is seemingly a hybrid of a mammal and reptilian creature.', 'en')!.score).toBeCloseTo(
      fleschEase(13, 1, 26),
      6,
    )
  })

  // By hand from the formulas: 6 words in one sentence, 6 and 8 syllables; none, then two of six words long.
  test.each([
    ['Die Katze saß auf der Matte.', 'de', 'Amstad', 180 - 6 - 58.5 * (8 / 6)],
    ['Katten satt på en liten matta.', 'sv', 'LIX', 6],
    ['Leverantören bekräftar att vi får tid.', 'sv', 'LIX', 6 + 200 / 6],
  ] as const)('of “%s” (%s) by %s', (text, language, formula, score) => {
    const ease = readingEase(text, language)!
    expect(ease.formula).toBe(formula)
    expect(ease.score).toBeCloseTo(score, 6)
  })

  test('tells words, sentences and the longest of them; where there is nothing to read, nothing', () => {
    expect(readingEase('One two three. Four five. Six!', 'en')).toMatchObject({ words: 6, sentences: 3, longest: 3 })
    expect(readingEase(' … ', 'en')).toBeNull()
    expect(readingEase('椅子を張り替えます。', 'ja')).toBeNull()
  })
})

describe('words are changed', () => {
  test.each([
    ['We utilise old tools in order to commence.', 'We use old tools to begin.'],
    ['Prior to a visit, obtain a price.', 'Before a visit, get a price.'],
    ['We make an attempt, and a comprehensive list.', 'We make a try, and a full list.'],
    ['We mend chairs; we mend clocks.', 'We mend chairs. We mend clocks.'],
    ['Nothing hard here.', 'Nothing hard here.'],
    ['He said “utiliser”.', 'He said “utiliser”.'],
  ])('plainer: “%s”', (text, plain) => {
    expect(plainer(text, 'en')).toBe(plain)
  })

  test('plainer: a long sentence is parted where a clause of its own begins, and not elsewhere', () => {
    const long = 'Every chair that comes to us is looked at on the day it comes, and we write down what it needs and what that costs.'
    expect(plainer(long, 'en')).toBe(
      'Every chair that comes to us is looked at on the day it comes. We write down what it needs and what that costs.',
    )
    expect(plainer('Chairs, and we mean all of them, are mended.', 'en')).toBe('Chairs, and we mean all of them, are mended.')
  })

  test('shorter: what says nothing goes, then what stands in brackets, then the last sentence', () => {
    expect(shorter('We are really very careful. Of course, we ask first (always).', 'en')).toEqual([
      'We are careful. We ask first (always).',
      'We are careful. We ask first.',
      'We are careful.',
    ])
    expect(shorter('Careful.', 'en')).toEqual([])
    // The rules are for English; sentences are sentences everywhere.
    expect(shorter('Wir sind sehr genau. Just.', 'de')).toEqual(['Wir sind sehr genau.'])
  })

  test('in another order: the last sentence first, or the opening clause last', () => {
    expect(otherOrder('One thing. Another.', 'en')).toBe('Another. One thing.')
    expect(otherOrder('If it breaks, we mend it.', 'en')).toBe('We mend it if it breaks.')
    expect(otherOrder('We mend it.', 'en')).toBe('We mend it.')
  })

  test('and every suggestion is from the text or the bank: no word comes from anywhere else', () => {
    const text = 'We utilise a wide range of tools (old ones). If it breaks, we mend it.'
    const more = ['Bring the chair, and you have a price the same day.']
    const found = suggestWords(text, 'en', { first: 'What we mend', more })
    expect(found.map(({ change }) => change)).toEqual(['first', 'shorter', 'shorter', 'plainer', 'order', 'longer'])
    const known = new Set(`${text} ${more.join(' ')} What we mend use many`.toLowerCase().match(/\p{L}+/gu))
    for (const one of found) for (const word of one.text.toLowerCase().match(/\p{L}+/gu)!) expect(known).toContain(word)
    // Of several paragraphs each stays one.
    expect(suggestWords('We utilise it.\nIt is very old.', 'en', NOTHING).map((one) => one.text)).toEqual([
      'We utilise it.\nIt is old.',
      'We utilise it.',
      'We use it.\nIt is very old.',
      'It is very old.\nWe utilise it.',
    ])
    expect(suggestWords('', 'en', NOTHING)).toEqual([])
    expect(suggestWords('Words.', 'en', NOTHING)).toEqual([])
    expect(new Set(found.map((one) => one.text)).size).toBe(found.length)
  })
})

test('what was changed is shown word by word, and gives both texts back', () => {
  const [before, after] = ['We utilise old tools.', 'We use old tools.']
  const changes = compareWords(before, after)
  expect(changes.filter(({ type }) => type !== 'same').map(({ type, words }) => [type, words])).toEqual([
    ['gone', 'utilise'],
    ['new', 'use'],
  ])
  const join = (without: string): string => changes.flatMap(({ type, words }) => (type === without ? [] : [words])).join('')
  expect([join('new'), join('gone')]).toEqual([before, after])
})
