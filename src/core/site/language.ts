import * as v from 'valibot'

/** A language tag of RFC 5646: language, then script, region and variants. */
export const languageSchema = v.pipe(v.string(), v.maxLength(40), v.regex(/^[a-z]{2,3}(-[A-Za-z0-9]{2,8})*$/))
export type Language = v.InferOutput<typeof languageSchema>

/** What is said in other languages than the site's own, by language. */
export type Said<T> = Readonly<Record<Language, T>>

/** A part for what is said in other languages: absent where there is nothing. */
export function saidPart<T extends v.GenericSchema>(words: T) {
  return v.optional(v.pipe(v.record(languageSchema, words), v.readonly()))
}
