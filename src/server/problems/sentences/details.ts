/** What a sentence needs to know. */
export type Details<Name extends string> = Readonly<Record<Name, string | number>>

/** Refusals and failures by their code: the HTTP status, and the sentence that a person reads. */
export type Sentences = Readonly<Record<string, { readonly status: number; readonly sentence: (details: never) => string }>>
