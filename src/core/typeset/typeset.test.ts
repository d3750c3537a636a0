import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { quotesOf, typeset } from '.'

const en = (words: string): string => typeset(words, { language: 'en-GB' })
const shown = (words: string): string => words.replaceAll('\u00a0', '~').replaceAll('\u202f', '^')

describe('quotation marks', () => {
  // Unicode CLDR 48.2, delimiters.json of each language.
  test.each([
    ['en-GB', '“A” ‘b’'],
    ['de', '„A“ ‚b‘'],
    ['fr', '«A» «b»'],
    ['it', '«A» “b”'],
    ['nl', '‘A’ ‘b’'],
    ['pl', '„A” «b»'],
    ['sv', '”A” ’b’'],
    ['uk', '«A» „b“'],
    ['he', '”A” ’b’'],
    ['pt-PT', '«A» “b”'],
    ['pt-BR', '“A” ‘b’'],
    ['cy', '“A” ‘b’'],
  ])('are those of %s', (language, expected) => {
    expect(typeset(`"A" 'b'`, { language })).toBe(expected)
    expect(quotesOf(language)[0]).toBe(expected[0])
  })

  test('turn by what they stand beside, also where words go on from others', () => {
    expect(en('"Why?" she said. ("Because.")')).toBe('“Why?” she said. (“Because.”)')
    expect(typeset('" he said', { language: 'en', before: 'n' })).toBe('” he said')
    expect(typeset('"No', { language: 'en', before: ' ' })).toBe('“No')
  })

  test('an apostrophe is none', () => {
    expect(en("don't, the Smiths' and rock 'n' roll in the '80s")).toBe('don’t, the Smiths’ and rock ’n’ roll in the ’80s')
    expect(typeset("c'est l'heure", { language: 'fr' })).toBe('c’est l’heure')
  })

  test('feet and inches are none', () => {
    expect(en(`6' 2" tall`)).toBe('6′ 2″ tall')
  })
})

test('a hyphen between spaces, times, prices or years is a dash; in numbers and dates it stays', () => {
  expect(en('Ring us - or write')).toBe('Ring us – or write')
  expect(en('9:00-17:30, £20-30, 1998-2004')).toBe('9:00–17:30, £20–30, 1998–2004')
  for (const same of ['well-known', '2026-11-25', 'Order 12-34', '00-950']) expect(en(same)).toBe(same)
})

describe('spaces at which no line breaks', () => {
  test.each([
    ['from 12 km, 20 %, 3 kg and 5 °C', 'from 12~km, 20~%, 3~kg and 5~°C'],
    ['AM1 1AA and SW1A 2AA', 'AM1~1AA and SW1A~2AA'],
    ['Ring 01632 960 417 or +44 1632 960417.', 'Ring 01632~960~417 or +44~1632~960417.'],
    ['12 500 people, No. 5, Dr. Marl', '12~500 people, No.~5, Dr.~Marl'],
    ['12 months, 3 men', '12 months, 3 men'],
    ['Room 5 on 3 June', 'Room 5 on 3 June'],
  ])('%s', (words, expected) => {
    expect(shown(en(words))).toBe(expected)
  })

  // Imprimerie nationale, Lexique des règles typographiques: espace fine insécable before ; ! ? and an espace insécable before the colon.
  test('French sets narrow ones before high marks where a space was typed', () => {
    expect(shown(typeset('Vraiment ? Oui ! Voici : « là »', { language: 'fr' }))).toBe('Vraiment^? Oui^! Voici~: «^là^»')
    expect(typeset('Vraiment ?', { language: 'en' })).toBe('Vraiment ?')
  })
})

test('every character becomes one character, and what is set stays so', () => {
  const alphabet = ['"', "'", '-', ' ', 'a', 'B', '5', '0', '+', '£', '?', '«', '»', ':', '.', '(', 'é', 'ש', '\n']
  fc.assert(
    fc.property(
      fc.string({ unit: fc.constantFrom(...alphabet), maxLength: 40 }),
      fc.constantFrom('en', 'fr', 'de', 'he'),
      (words, language) => {
        const set = typeset(words, { language })
        expect(set).toHaveLength(words.length)
        for (const [i, letter] of [...set].entries()) {
          const was = words[i]
          if (was !== letter) expect('"\'- ').toContain(was)
        }
      },
    ),
    { seed: 9, numRuns: Number(process.env.PROPERTY_RUNS ?? 1000) },
  )
})
