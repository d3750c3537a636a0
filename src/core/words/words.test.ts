import { expect, test } from 'vitest'
import {
  directionOf,
  guessLanguage,
  isJoined,
  isPlain,
  languageName,
  OFFERED_LANGUAGES,
  PLAIN_LABELS,
  plainWord,
  scriptOf,
  WORDS,
  wordsLanguage,
} from '.'

test('every language that there are words for has one for every label', () => {
  expect(Object.keys(WORDS).sort()).toEqual(['ar', 'de', 'el', 'en', 'es', 'fr', 'he', 'it', 'nl', 'pl', 'pt', 'tr', 'uk'])
  for (const [language, words] of Object.entries(WORDS)) {
    expect(Object.keys(words).sort(), language).toEqual([...PLAIN_LABELS].sort())
    // Each is written in the letters of its language.
    const letters = new RegExp(`^[\\p{Script=${scriptOf(language) === 'Latn' ? 'Latin' : scriptOf(language)}}\\p{P}\\s]+$`, 'u')
    for (const [label, word] of Object.entries(words)) {
      const isForeign = language === 'el' && label === 'email'
      expect(isForeign || letters.test(word), `${language} ${label}: ${word}`).toBe(true)
    }
  }
})

test('a language of a country takes its language’s words, one without any takes English', () => {
  expect(plainWord('pt-BR', 'menu')).toBe('Menu')
  expect(plainWord('de-AT', 'telephone')).toBe('Telefon')
  expect(plainWord('cy', 'telephone')).toBe('Telephone')
  expect([wordsLanguage('de-AT'), wordsLanguage('cy'), wordsLanguage('constructor')]).toEqual(['de', 'en', 'en'])
  expect(plainWord('de', 'gate')).toBeNull()
  expect(plainWord('de', 'constructor')).toBeNull()
})

// CLDR, main/<language>/ca-gregorian.json, days, format, abbreviated.
test('weekdays are those of CLDR, in a language without words of its own too', () => {
  const week = (language: string): (string | null)[] => ['mon', 'wed', 'sun'].map((day) => plainWord(language, day))
  expect(week('en-GB')).toEqual(['Mon', 'Wed', 'Sun'])
  expect(week('de')).toEqual(['Mo', 'Mi', 'So'])
  expect(week('fr')).toEqual(['lun.', 'mer.', 'dim.'])
  expect(week('uk')).toEqual(['пн', 'ср', 'нд'])
  expect(week('cy')).toEqual(['Llun', 'Mer', 'Sul'])
  expect(week('x')).toEqual(['Mon', 'Wed', 'Sun'])
})

// CLDR, supplemental/likelySubtags.json and scriptMetadata.json (rtl).
test('a language runs the way that its script does', () => {
  for (const language of ['ar', 'he', 'fa', 'ur', 'az-Arab', 'yi', 'ckb', 'dv']) expect(directionOf(language), language).toBe('rtl')
  for (const language of ['en', 'az', 'ur-Latn', 'el', 'uk', 'ja', 'x', 'constructor']) expect(directionOf(language), language).toBe('ltr')
  // Reference: the direction that the platform itself knows, where it does.
  for (const [language] of OFFERED_LANGUAGES) {
    const locale = new Intl.Locale(language) as Intl.Locale & {
      textInfo?: { direction: string }
      getTextInfo?: () => { direction: string }
    }
    expect(directionOf(language), language).toBe((locale.textInfo ?? locale.getTextInfo?.())?.direction)
  }
})

test('a language is named in English; one that is not offered by its tag', () => {
  expect([languageName('de'), languageName('en-GB'), languageName('not a tag')]).toEqual(['German', 'English (Britain)', 'not a tag'])
  expect(new Set(OFFERED_LANGUAGES.map(([tag]) => tag)).size).toBe(OFFERED_LANGUAGES.length)
})

test('words of a design are plain where they are the plain English word, and nothing more', () => {
  expect(isPlain('telephone', 'Telephone')).toBe(true)
  expect(isPlain('telephone', 'By telephone')).toBe(false)
  expect(isPlain('mon', 'Mon')).toBe(true)
  expect(isPlain('gate', 'The gate')).toBe(false)
})

test('letters join in Arabic and not in Hebrew', () => {
  expect(['ar', 'fa', 'ur', 'he', 'el', 'en'].map(isJoined)).toEqual([true, true, true, false, false, false])
})

// The first article of the Universal Declaration of Human Rights (United Nations), as its official translations begin.
test('a language is guessed from its words, and not from too few', () => {
  const first: Readonly<Record<string, string>> = {
    'en-GB': 'All human beings are born free and equal in dignity and rights. They are endowed with reason and conscience.',
    de: 'Alle Menschen sind frei und gleich an Würde und Rechten geboren. Sie sind mit Vernunft und Gewissen begabt.',
    fr: 'Tous les êtres humains naissent libres et égaux en dignité et en droits. Ils sont doués de raison, les uns et les autres.',
    es: 'Todos los seres humanos nacen libres en dignidad y derechos y deben comportarse fraternalmente los unos con los otros.',
    nl: 'Alle mensen worden vrij en gelijk in waardigheid en rechten geboren. Zij zijn begiftigd met verstand en geweten.',
    ar: 'يولد جميع الناس أحرارًا متساوين في الكرامة والحقوق.',
    he: 'כל בני האדם נולדו בני חורין ושווים בערכם ובזכויותיהם.',
    el: 'Όλοι οι άνθρωποι γεννιούνται ελεύθεροι και ίσοι στην αξιοπρέπεια και τα δικαιώματα.',
    uk: 'Всі люди народжуються вільними і рівними у своїй гідності та правах.',
  }
  for (const [language, words] of Object.entries(first)) expect(guessLanguage(words), language).toBe(language)
  for (const words of ['', 'Tolliver & Wren', '01632 960000', 'Menu']) expect(guessLanguage(words), words).toBeNull()
})
