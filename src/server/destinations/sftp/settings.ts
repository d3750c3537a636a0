import * as v from 'valibot'

const short = v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(255))
/** A name or number of a host (RFC 1123, RFC 4291), without scheme, port or user. */
const hostSchema = v.pipe(short, v.regex(/^[A-Za-z0-9.:_-]+$/, 'A server is written by its name alone, such as files.example.com'))

/**
 * Where files go by SFTP: `folder` as the server has it, from its root (`/srv/www`) or from where the login lands (`public`). `hostKey` is
 * the SHA-256 of the server's key as OpenSSH shows it, remembered from when the connection was first tested.
 */
export const sftpSettingsSchema = v.strictObject({
  host: hostSchema,
  port: v.optional(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(65_535)), 22),
  user: short,
  folder: v.pipe(v.string(), v.trim(), v.maxLength(500), v.regex(/^[^\\\0]*$/)),
  hostKey: v.pipe(v.string(), v.regex(/^SHA256:[A-Za-z0-9+/]{43}$/)),
})
export type SftpSettings = Readonly<v.InferOutput<typeof sftpSettingsSchema>>

/** What lets us in: kept encrypted, and shown to nobody. */
export const sftpSecretSchema = v.union([
  v.strictObject({ password: v.pipe(v.string(), v.minLength(1), v.maxLength(1000)) }),
  v.strictObject({
    key: v.pipe(v.string(), v.minLength(1), v.maxLength(20_000)),
    passphrase: v.optional(v.pipe(v.string(), v.maxLength(1000))),
  }),
])
export type SftpSecret = v.InferOutput<typeof sftpSecretSchema>
