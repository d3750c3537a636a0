/** Sentences and words as UAX #29 parts them, in a language. */
export function sentencesOf(text: string, language: string): readonly string[] {
  return [...new Intl.Segmenter(language, { granularity: 'sentence' }).segment(text)]
    .map(({ segment }) => segment.trim())
    .filter((sentence) => /[\p{L}\p{N}]/u.test(sentence))
}

export function wordsOf(text: string, language: string): readonly string[] {
  return [...new Intl.Segmenter(language, { granularity: 'word' }).segment(text)].flatMap(({ segment, isWordLike }) =>
    isWordLike ? [segment] : [],
  )
}
