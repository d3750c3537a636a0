import { PLAINER, SPARE } from './plain-words'
import { sentencesOf, wordsOf } from './sentences'

/** Longer sentences than this, in words, are parted where they can be. */
const LONG_SENTENCE = 18

/** Where in a text a phrase stands as words of its own. */
function phrase(words: string): RegExp {
  return new RegExp(`(?<![\\p{L}\\p{N}'’-])${words.replaceAll(' ', '\\s+')}(?![\\p{L}\\p{N}'’-])`, 'giu')
}

/** A word begins as the one did that it stands for; `an` before it is `a` where its own sound asks for that. */
function replaced(text: string, hard: string, plain: string): string {
  const swapped = text.replace(phrase(hard), (found) => (/^\p{Lu}/u.test(found) ? capital(plain) : plain))
  if (swapped === text) return text
  const isVowel = /^[aeiou]/i.test(plain)
  const article = new RegExp(`(?<![\\p{L}])(a)n?(\\s+)(?=${plain}(?!\\p{L}))`, 'giu')
  return swapped.replace(article, (_, a: string, space: string) => `${a}${isVowel ? 'n' : ''}${space}`)
}

function capital(words: string): string {
  return words.slice(0, 1).toLocaleUpperCase() + words.slice(1)
}

function lower(words: string): string {
  return words.slice(0, 1).toLocaleLowerCase() + words.slice(1)
}

/** The same in plainer words (English only), long sentences parted at a semicolon or before “and” that begins a clause of its own. */
export function plainer(text: string, language: string): string {
  if (!language.startsWith('en')) return text
  const swapped = PLAINER.reduce((now, [hard, plain]) => replaced(now, hard, plain), text)
  return joined(swapped, language, (sentence) => parted(sentence, language))
}

function parted(sentence: string, language: string): string {
  const at = sentence.indexOf('; ')
  if (at > 0) return `${sentence.slice(0, at)}. ${capital(sentence.slice(at + 2))}`
  if (wordsOf(sentence, language).length <= LONG_SENTENCE) return sentence
  const clause = /, (and|but|so) (?=(?:we|you|they|it|there|this|that|I) \p{Ll})/u.exec(sentence)
  if (!clause) return sentence
  const rest = sentence.slice(clause.index + clause[0].length)
  const opening = clause[1] === 'and' ? capital(rest) : `${capital(clause[1] ?? '')} ${rest}`
  return `${sentence.slice(0, clause.index)}. ${opening}`
}

/** The same in fewer words: without those that say nothing (English only), and what stands in brackets. Nothing is said anew. */
export function shorter(text: string, language: string): readonly string[] {
  const spare = language.startsWith('en') ? SPARE : []
  const lean = tidy(spare.reduce((now, word) => now.replace(new RegExp(`${phrase(word).source},?\\s*`, 'giu'), ''), text))
  const brief = tidy(withoutAsides(lean))
  const sentences = sentencesOf(brief, language)
  const fewer = sentences.length > 1 ? sentences.slice(0, -1).join(' ') : ''
  return [lean, brief, fewer].filter((one, i, all) => one !== '' && one !== text && all.indexOf(one) === i)
}

/** Without what stands in brackets; one that is not closed stays. */
function withoutAsides(text: string): string {
  let left = text
  for (let at = left.indexOf('('); at >= 0; at = left.indexOf('(', at)) {
    const end = left.indexOf(')', at)
    if (end < 0) break
    left = left.slice(0, at) + left.slice(end + 1)
  }
  return left
}

/** The same sentences in another order: the last one first; of one sentence, the clause that opens it last (English only). */
export function otherOrder(text: string, language: string): string {
  const sentences = sentencesOf(text, language)
  if (sentences.length > 1) return [sentences.at(-1), ...sentences.slice(0, -1)].join(' ')
  const clause = /^(If|When|Once|Before|After|Because|While|As soon as|Whether) ([^,.;]{2,160}), ([^.;]{2,200})([.!?…]?)$/.exec(text.trim())
  if (!clause || !language.startsWith('en')) return text
  const [, opening = '', first = '', then = '', end = ''] = clause
  return `${capital(then)} ${lower(opening)} ${first}${end}`
}

function joined(text: string, language: string, change: (sentence: string) => string): string {
  return sentencesOf(text, language).map(change).join(' ')
}

/** Spaces and capitals as they should be once words have gone. */
function tidy(text: string): string {
  return text
    .replaceAll(/[ \t]{2,}/g, ' ')
    .replaceAll(/ ([,.;:!?…])/g, '$1')
    .trim()
    .replaceAll(/(^|[.!?…]\s+)(\p{Ll})/gu, (_, before: string, letter: string) => before + letter.toLocaleUpperCase())
}
