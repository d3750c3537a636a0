import * as v from 'valibot'

/** What visitors can ask for: a label under the host's own name, or a whole name of somebody's own (RFC 1123, 2.1; RFC 1035, 2.3.4). */
export const siteNameSchema = v.pipe(
  v.string(),
  v.maxLength(253, 'not a host name'),
  v.regex(/^(?:(?!-)[a-z0-9-]{1,63}(?<!-)\.){0,125}(?!-)[a-z0-9-]{1,63}(?<!-)$/, 'not a host name'),
)
export const hashSchema = v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/, 'not a SHA-256'))
export const releaseIdSchema = v.pipe(v.string(), v.regex(/^[A-Za-z0-9_-]{1,40}$/, 'a path or id that cannot be used'))

/** No empty, dot or hidden parts, no back-slashes and no control characters. */
const pathSchema = v.pipe(
  v.string(),
  v.maxLength(1024),
  // oxlint-disable-next-line no-control-regex
  v.regex(/^(?!\.)[^/\\\u0000-\u001f\u007f]+(?:\/(?!\.)[^/\\\u0000-\u001f\u007f]+)*$/, 'a path or id that cannot be used'),
)
/** A path of the site or a whole address, in what a header can carry. */
const leadsToSchema = v.pipe(v.string(), v.maxLength(2048), v.regex(/^(\/(?!\/)|https?:\/\/)[!-~]*$/, 'an address that cannot be led to'))

const fileSchema = v.strictObject({
  hash: hashSchema,
  bytes: v.pipe(v.number(), v.integer(), v.minValue(0)),
  leadsTo: v.optional(leadsToSchema),
})
export const manifestSchema = v.record(pathSchema, fileSchema)
export type ReleaseFile = v.InferOutput<typeof fileSchema>
export type Manifest = v.InferOutput<typeof manifestSchema>

/** What a publisher says of a release before it sends what is missing. */
export const noteSchema = v.strictObject({ id: releaseIdSchema, manifest: manifestSchema })
export type ReleaseNote = v.InferOutput<typeof noteSchema>
export const ownerSchema = v.strictObject({ owner: v.pipe(v.string(), v.minLength(1), v.maxLength(200)) })
export const moveSchema = v.strictObject({ to: siteNameSchema })
/** For how long browsers are to come by HTTPS alone, in seconds; 0 for not at all (RFC 6797, 6.1.1). */
export const transportSchema = v.strictObject({ hstsS: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(63_072_000)) })
export const countedSchema = v.strictObject({ isCounted: v.boolean() })
/** What an authority is to find under a token (RFC 8555, 8.3). */
export const tokenSchema = v.pipe(v.string(), v.regex(/^[\w-]{1,200}$/, 'not a token'))
export const challengeSchema = v.strictObject({ answer: v.pipe(v.string(), v.regex(/^[\w.-]{1,400}$/, 'not an answer')) })
/** A certificate with those that vouch for it, and its key, both as PEM. */
export const certificateSchema = v.strictObject({
  chain: v.pipe(v.string(), v.maxLength(100_000), v.includes('BEGIN CERTIFICATE')),
  key: v.pipe(v.string(), v.maxLength(20_000), v.includes('PRIVATE KEY')),
})

/** A failure with the HTTP status that tells of it. */
export class HostError extends Error {
  constructor(
    readonly status: number,
    message: string,
  ) {
    super(message)
  }
}

/** What was sent, as its schema has it; a refusal in the schema's words otherwise. */
export function read<T extends v.GenericSchema>(schema: T, sent: unknown): v.InferOutput<T> {
  const found = v.safeParse(schema, sent)
  if (found.success) return found.output
  throw new HostError(422, found.issues[0].message)
}
