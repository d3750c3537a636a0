import { test } from 'vitest'
import { readTokens } from './brand'
import { readPasted } from './fill'
import { parseMarked, richFromPlain } from './rich'
import { parseAddress, parseWeek } from './site'
import { typeset } from './typeset'

/** So many that a time which grows with the square would be minutes; with the words themselves it is a few hundredths of a second. */
const MANY = 400_000
const many = (part: string): string => part.repeat(MANY / part.length)

/** Each was quadratic once: words that find the slow way through the expression that reads them. */
const SLOW: readonly (readonly [what: string, read: () => unknown])[] = [
  ['a pasted table of blanks', () => readPasted(`a\tb\n${many(' ')}x\ty`)],
  ['a list entry of blanks', () => richFromPlain(`- ${many(' ')}\u2028x`)],
  ['brackets that do not close', () => richFromPlain(many('[').slice(0, 100_000))],
  ['marked brackets that do not close', () => parseMarked(many('[').slice(0, 20_000))],
  ['backslashes', () => parseMarked(many('\\'))],
  ['an address of blanks', () => parseAddress(`a${many(' ')}b`)],
  ['hours of blanks', () => parseWeek(`mon ${many(' ')}9-5`)],
  ['telephone brackets', () => typeset(many('(0'), { language: 'en' })],
  ['comments that do not end', () => readTokens(many('/*'))],
  ['a property that is all dashes', () => readTokens(many('-'))],
]

/** Ends what would go on for minutes; on whatever machine, what is read in step with its length is done long before. */
const GIVE_UP_MS = 30_000

test.each(SLOW)('%s is read in a time that grows with its length', (_, read) => void read(), GIVE_UP_MS)
