/** Scripts that tell the language by themselves, or nearly: where several languages share one, the one with most speakers. */
const BY_SCRIPT: readonly (readonly [RegExp, string])[] = [
  [/\p{Script=Hebrew}/gu, 'he'],
  [/\p{Script=Greek}/gu, 'el'],
  [/[پچژگی]/gu, 'fa'],
  [/\p{Script=Arabic}/gu, 'ar'],
  [/[іїєґ]/giu, 'uk'],
  [/\p{Script=Cyrillic}/gu, 'ru'],
]

/** Small words that hardly any text of a language does without, and that its neighbours lack. From memory; a hint, no more. */
const SMALL_WORDS: Readonly<Record<string, string>> = {
  'en-GB': 'the and of to with for is are your our we from that have you',
  de: 'der die das und ist nicht mit für von wir sie auf ein eine bei zum ihre aus',
  fr: 'le les des et est pour avec dans une nous vous sur chez votre du aux nos',
  es: 'el los las y es para con una por su en nuestro desde más del somos',
  it: 'il gli e è per con una nel della di che dal sono nostra più dei',
  nl: 'het een en van voor met wij is niet op uw ons bij zijn naar ook',
  pl: 'i w na z do się jest nie dla od oraz przez nasze czy po są',
  pt: 'o os as e é para com uma em não do da nosso você mais dos',
  tr: 've bir için ile bu da de olarak en çok her siz biz var daha',
}

/** The language that words are most likely in, as a hint; null where there are too few to tell. */
export function guessLanguage(words: string): string | null {
  const letters = words.match(/\p{L}/gu)?.length ?? 0
  for (const [script, language] of BY_SCRIPT)
    if ((words.match(script)?.length ?? 0) > (language === 'uk' ? 0.02 : 0.3) * letters) return language
  const used = words.toLowerCase().match(/\p{L}+/gu) ?? []
  const counts = Object.entries(SMALL_WORDS).map(([language, small]) => {
    const own = new Set(small.split(' '))
    return { language, count: used.filter((word) => own.has(word)).length }
  })
  const [best, next] = counts.sort((a, b) => b.count - a.count)
  return best && best.count >= 3 && best.count >= (next?.count ?? 0) * 1.5 ? best.language : null
}
