import { factsOf, type FactCells } from './fact-cells'
import { addressLine, type Facts, type FactValue } from './facts'

/**
 * What a fact is set to where the client has none, so that nothing stands in its place and not the template's either: no
 * words, an address without a line, hours in which it is never open.
 */
export const NO_FACT = {
  tagline: '',
  phone: '',
  email: '',
  address: { street: '', locality: '', postcode: '', country: '' },
  hours: { mon: [], tue: [], wed: [], thu: [], fri: [], sat: [], sun: [] },
} as const satisfies Partial<Facts>
export type SparedFact = keyof typeof NO_FACT

/** Whether a fact says that there is none. */
export function isNoFact(value: FactValue | undefined): boolean {
  if (value === undefined || typeof value === 'string') return value === ''
  if ('street' in value) return addressLine(value) === ''
  return 'mon' in value && Object.values(value).every((spans) => spans.length === 0)
}

/** The facts that there are, for whoever tells others of the client: those that the client has none of are absent. */
export function factsGiven(document: { readonly facts: FactCells }): Facts {
  return Object.fromEntries(Object.entries(factsOf(document)).filter(([, value]) => !isNoFact(value as FactValue)))
}
