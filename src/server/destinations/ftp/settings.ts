import * as v from 'valibot'
import { folderSchema, hostSchema, passwordSchema, portSchema, userSchema } from '../login-parts'

/**
 * Where files go by FTP. `isSecure`: encrypted from the login on (explicit TLS, RFC 4217). `certificate` is the SHA-256 of one that nobody
 * known vouches for, in hexadecimal, where somebody has said that it is the server's; null where it is vouched for.
 */
export const ftpSettingsSchema = v.strictObject({
  host: hostSchema,
  port: portSchema(21),
  user: userSchema,
  folder: folderSchema,
  isSecure: v.boolean(),
  certificate: v.nullable(v.pipe(v.string(), v.regex(/^[0-9A-F]{2}(?::[0-9A-F]{2}){31}$/))),
})
export type FtpSettings = Readonly<v.InferOutput<typeof ftpSettingsSchema>>

/** What lets us in: kept encrypted, and shown to nobody. */
export const ftpSecretSchema = v.strictObject({ password: passwordSchema })
export type FtpSecret = v.InferOutput<typeof ftpSecretSchema>
