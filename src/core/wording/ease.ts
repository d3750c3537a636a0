import { syllable } from 'syllable'
import { sentencesOf, wordsOf } from './sentences'

/** How easily words are read, by which formula, and how long their sentences are, in words. */
export type Ease = {
  readonly formula: 'Flesch' | 'Amstad' | 'LIX'
  readonly score: number
  readonly said: 'very easy' | 'easy' | 'plain' | 'fairly hard' | 'hard'
  readonly words: number
  readonly sentences: number
  readonly longest: number
}

/** A LIX word is long from this many letters on. */
const LONG = 7

/**
 * Reading ease: for English R. Flesch's (A new readability yardstick, 1948), 206.835 − 1.015 × words a sentence − 84.6 × syllables a word;
 * for German T. Amstad's (Wie verständlich sind unsere Zeitungen?, 1978), 180 − words a sentence − 58.5 × syllables a word, both higher for
 * what is easier; elsewhere C. H. Björnsson's LIX (Läsbarhet, 1968), words a sentence + long words in a hundred, lower for what is easier.
 * The numbers are from memory. Null where there are no words, or they are not parted by spaces as the formulas suppose.
 */
export function readingEase(text: string, language: string): Ease | null {
  const sentences = sentencesOf(text, language)
  const words = wordsOf(text, language)
  if (sentences.length === 0 || words.length === 0 || /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Thai}]/u.test(text)) return null
  const perSentence = words.length / sentences.length
  const counts = {
    words: words.length,
    sentences: sentences.length,
    longest: Math.max(...sentences.map((sentence) => wordsOf(sentence, language).length)),
  }
  const of = language.slice(0, 2)
  if (of === 'en' || of === 'de') {
    const syllables = words.reduce((sum, word) => sum + (of === 'en' ? Math.max(1, syllable(word)) : vowelGroups(word)), 0)
    const perWord = syllables / words.length
    const score = of === 'en' ? fleschEase(words.length, sentences.length, syllables) : 180 - perSentence - 58.5 * perWord
    return { formula: of === 'en' ? 'Flesch' : 'Amstad', score, said: saidOf(score), ...counts }
  }
  const long = words.filter((word) => [...word].length >= LONG).length
  const score = perSentence + (100 * long) / words.length
  return { formula: 'LIX', score, said: saidOf(onOneScale(score)), ...counts }
}

/** R. Flesch's reading ease of so many words in so many sentences with so many syllables. */
export function fleschEase(words: number, sentences: number, syllables: number): number {
  return 206.835 - 1.015 * (words / sentences) - 84.6 * (syllables / words)
}

/** German syllables are as many as there are vowels apart, diphthongs as one. */
function vowelGroups(word: string): number {
  return Math.max(1, word.toLowerCase().match(/(?:ei|ai|au|eu|äu|ie|ee|aa|oo|[aeiouyäöüéèà])/g)?.length ?? 0)
}

/** LIX 25 is very easy, 55 hard (Björnsson's own steps); put on the same scale as the others. */
function onOneScale(score: number): number {
  return 90 - ((score - 25) / 30) * 55
}

function saidOf(score: number): Ease['said'] {
  if (score >= 80) return 'very easy'
  if (score >= 65) return 'easy'
  if (score >= 50) return 'plain'
  return score >= 35 ? 'fairly hard' : 'hard'
}
