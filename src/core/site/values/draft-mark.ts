import * as v from 'valibot'

/** Set on words that were made for the client from a phrase bank and that nobody has confirmed yet. */
export const draftMark = v.optional(v.literal(true))
