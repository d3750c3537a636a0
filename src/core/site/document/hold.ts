import * as v from 'valibot'

/**
 * What the lines of a text are held to at every width: so many at most; or, for the entries of a list, alike: none takes more than the
 * entry with the fewest.
 */
export const HOLDS = [1, 2, 3, 4, 5, 6, 'alike'] as const
export type Hold = (typeof HOLDS)[number]

/** A slot of a section, or of all entries of one of its lists: `heading`, `items/title`. */
const holdKeySchema = v.pipe(v.string(), v.regex(/^[a-z][a-z0-9-]{0,39}(\/[a-z][a-z0-9-]{0,39})?$/))
export const holdsSchema = v.pipe(v.record(holdKeySchema, v.picklist(HOLDS)), v.readonly())
export type Holds = v.InferOutput<typeof holdsSchema>

export function holdKey(list: string | null, slot: string): string {
  return list === null ? slot : `${list}/${slot}`
}

/** Holds with one set, or without it; null where none is left. */
export function withHold(holds: Holds | undefined, key: string, hold: Hold | null): Holds | null {
  const { [key]: _, ...rest } = holds ?? {}
  const next = hold === null ? rest : { ...rest, [key]: hold }
  return Object.keys(next).length === 0 ? null : next
}
