import * as v from 'valibot'

export const list = <T extends v.GenericSchema>(item: T) => v.pipe(v.array(item), v.readonly())

/**
 * A document, a library, a picture's record: what was checked when it was written and is far too large to be checked with each reply. That
 * it is a record at all is asked.
 */
export const record = <T>() => v.custom<T>((value) => typeof value === 'object' && value !== null && !Array.isArray(value))
