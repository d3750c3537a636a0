import { own, withValue } from '../../own'
import type { Language, Said } from '../language'
import { plainWords, typeOf, type SlotValue } from './slot-value'

type Words = Readonly<Record<string, unknown>>
type Spoken = SlotValue & { readonly said?: Said<Words> }

/** A value as it is in one language: its words there, or its own where it says nothing there. */
export function valueIn(value: SlotValue, language: Language): SlotValue {
  const { said, ...spoken } = value as Spoken
  if (said === undefined) return value
  const words = own(said, language)
  if (words === undefined) return spoken as SlotValue
  const parts = new Set<string>(typeOf(value).said)
  return { ...Object.fromEntries(Object.entries(spoken).filter(([part]) => !parts.has(part))), ...words } as SlotValue
}

/** What a value says in one language; null where it says nothing there. */
export function saidIn(value: SlotValue, language: Language): SlotValue | null {
  return own((value as Spoken).said ?? {}, language) === undefined ? null : valueIn(value, language)
}

/** A value that says in one language what another value says; null: nothing there. */
export function withSaid(value: SlotValue, language: Language, words: SlotValue | null): SlotValue {
  const { said = {}, ...spoken } = value as Spoken
  const parts = new Set<string>(typeOf(value).said)
  const next = withValue(said, language, words && Object.fromEntries(Object.entries(words).filter(([part]) => parts.has(part))))
  return (Object.keys(next).length === 0 ? spoken : { ...spoken, said: next }) as SlotValue
}

/**
 * A value as it is put where another was: what is said in other languages stays, unless it says so itself, even that there is nothing, or
 * is something else altogether: another type, another picture.
 */
export function asPut(value: SlotValue, before: SlotValue | null): SlotValue {
  const { said, ...spoken } = value as Spoken
  if (said !== undefined) return Object.keys(said).length === 0 ? (spoken as SlotValue) : value
  const was = (before as Spoken | null)?.said
  if (was === undefined || before?.type !== value.type) return value
  if (value.type === 'image' && before.type === 'image' && value.asset !== before.asset) return value
  return { ...value, said: was } as SlotValue
}

/** A value that puts itself just as it is where another is, with what both say in other languages. */
export function exactly(value: SlotValue, over: SlotValue | null): SlotValue {
  const speaks = (of: SlotValue | null): boolean => (of as Spoken | null)?.said !== undefined
  return speaks(over) && !speaks(value) ? ({ ...value, said: {} } as SlotValue) : value
}

/** The words of a value in one line, then those in each other language. */
export function wordsInAll(value: SlotValue): readonly string[] {
  const others = Object.keys((value as Spoken).said ?? {})
  return [plainWords(value), ...others.map((language) => plainWords(valueIn(value, language)))]
}
