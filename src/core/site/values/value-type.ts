import type * as v from 'valibot'

/** Everything there is to know of one type of slot value, in one place. */
export type ValueType<T> = {
  readonly schema: v.GenericSchema<T>
  /** The parts of it that are words, and so can stand in other languages as well. */
  readonly said: readonly Exclude<keyof T, 'type' | 'said'>[]
  /** The words of a value in one line, for lists, comparison and search. */
  readonly words: (value: T) => string
  /** What says that nothing stands there. */
  readonly empty: T
  /** True for a value that shows nothing: the place was emptied on purpose. */
  readonly isEmpty: (value: T) => boolean
}

/** Longest text a slot takes, in UTF-16 units. */
export const MAX_TEXT = 5000
