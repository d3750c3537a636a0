import * as v from 'valibot'
import { hostSchema, portNumberSchema } from '../login-parts'

const short = (missing: string): v.GenericSchema<string> => v.pipe(v.string(), v.trim(), v.minLength(1, missing), v.maxLength(200))

/**
 * A bucket of a store that speaks the S3 protocol, at its own name and port; `folder` is what the names of all objects begin with, '' for
 * the whole bucket. `isSecure` is false only for a store on the same machine.
 */
export const objectStoreSettingsSchema = v.strictObject({
  host: hostSchema,
  port: portNumberSchema,
  isSecure: v.boolean(),
  region: v.pipe(
    short('The region is missing: it stands in the store’s own console'),
    v.regex(/^[a-z0-9-]+$/, 'A region is written in small letters, such as eu-central-1'),
  ),
  bucket: v.pipe(
    short('The name of the bucket is missing'),
    v.regex(/^[a-z0-9][a-z0-9.-]{1,61}[a-z0-9]$/, 'A bucket has a name of small letters, digits, dots and hyphens'),
  ),
  folder: v.pipe(
    v.string(),
    v.trim(),
    v.maxLength(500),
    v.regex(
      /^(?:[^/\\\p{Cc}.][^/\\\p{Cc}]*(?:\/[^/\\\p{Cc}.][^/\\\p{Cc}]*)*)?$/u,
      'A folder is written as names with a slash between them',
    ),
  ),
})
export type ObjectStoreSettings = Readonly<v.InferOutput<typeof objectStoreSettingsSchema>>

/** What lets us in: kept encrypted, and shown to nobody. */
export const objectStoreSecretSchema = v.strictObject({
  keyId: v.pipe(short('The ID of the key is missing'), v.regex(/^[\w.-]+$/, 'The ID of a key is one word')),
  key: v.pipe(v.string(), v.trim(), v.minLength(1, 'The secret of the key is missing'), v.maxLength(500)),
})
export type ObjectStoreSecret = v.InferOutput<typeof objectStoreSecretSchema>
