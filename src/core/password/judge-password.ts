import { ZxcvbnFactory } from '@zxcvbn-ts/core'
import { adjacencyGraphs, dictionary as common } from '@zxcvbn-ts/language-common'
import { dictionary as english, translations } from '@zxcvbn-ts/language-en'

/** OWASP ASVS 4.0.3, 2.1.1 and 2.1.2: twelve characters at least, at most 128, and nothing of them cut off. */
export const LEAST_LETTERS = 12
export const MOST_LETTERS = 128
/** What guessing must cost at least, on zxcvbn's scale of 0 to 4: ten thousand million guesses. */
const LEAST_SCORE = 3

export type Judged = {
  /** 0 to 4, by the number of guesses that find it: under 10³, 10⁶, 10⁸, 10¹⁰, and more (zxcvbn). */
  readonly score: number
  /** Why it cannot be taken, and what to do; null where it can. */
  readonly fault: string | null
}

/**
 * How hard a password is to guess, and whether it will do. `mine` is what everybody knows of its person, such as name and email, which
 * makes no password. Any character counts, spaces too.
 */
export function judgePassword(password: string, mine: readonly string[] = []): Judged {
  const length = [...password].length
  if (length > MOST_LETTERS) return { score: 0, fault: `A password has at most ${MOST_LETTERS} characters; this one has ${length}.` }
  const known = parts(mine)
  const { score, feedback } = judge().check(password, known)
  if (length < LEAST_LETTERS)
    return { score, fault: `A password has at least ${LEAST_LETTERS} characters. Three or four words are easy to keep.` }
  const rest = judge().check(without(password, known)).score
  if (Math.min(score, rest) >= LEAST_SCORE) return { score, fault: null }
  if (score >= LEAST_SCORE)
    return { score: rest, fault: 'Without your own name and address, or words said twice, little is left. Add a word or two.' }
  const { warning, suggestions } = feedback
  return { score, fault: `${warning ?? 'This is easy to guess.'} ${suggestions[0] ?? 'Add a word or two that are less common.'}` }
}

let made: ZxcvbnFactory | null = null

/** Made when it is first needed: its lists of common words are large. */
function judge(): ZxcvbnFactory {
  made ??= new ZxcvbnFactory({ dictionary: { ...common, ...english }, graphs: adjacencyGraphs, translations })
  return made
}

/** Names and addresses, whole and in their parts, the longest first. */
function parts(mine: readonly string[]): string[] {
  const all = [...mine, ...mine.flatMap((text) => text.split(/[^\p{L}\p{N}]+/u))].map((part) => part.toLowerCase())
  return all.filter((part) => part.length > 2).toSorted((a, b) => b.length - a.length)
}

/** What is left of a password when everything is out that everybody knows, and what only stands between words. */
function without(password: string, known: readonly string[]): string {
  return known.reduce((left, part) => left.replaceAll(part, ''), password.toLowerCase()).replaceAll(/[\s\p{P}]+/gu, '')
}
