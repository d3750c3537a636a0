import { factsOf, type BrandPart, type FactName } from '../site'
import type { Snag, SnagCheck } from './snag'

/** What a site can hardly do without of its client. */
const FACTS: readonly FactName[] = ['name', 'trade', 'phone', 'email', 'address', 'hours']
const PARTS: readonly BrandPart[] = ['colour', 'logo']

/** Facts that nobody has given yet. */
export const factMissing: SnagCheck = {
  stages: ['Brief'],
  counted: 'not set',
  find: (_, document) =>
    FACTS.filter((fact) => factsOf(document)[fact] === undefined).map((fact): Snag => ({
      check: 'factMissing',
      place: { type: 'fact', fact },
      words: '',
    })),
}

/** Parts of the brand that nobody has given yet. */
export const brandMissing: SnagCheck = {
  stages: ['Brand'],
  counted: 'not set',
  find: (_, { brand }) =>
    PARTS.filter((part) => !brand[part]).map((part): Snag => ({ check: 'brandMissing', place: { type: 'brand', part }, words: '' })),
}
