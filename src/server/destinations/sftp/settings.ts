import * as v from 'valibot'
import { folderSchema, hostSchema, passwordSchema, portSchema, userSchema } from '../login-parts'

/** Where files go by SFTP. `hostKey` is the SHA-256 of the server's key as OpenSSH shows it, remembered from when it was first tested. */
export const sftpSettingsSchema = v.strictObject({
  host: hostSchema,
  port: portSchema(22),
  user: userSchema,
  folder: folderSchema,
  hostKey: v.pipe(v.string(), v.regex(/^SHA256:[A-Za-z0-9+/]{43}$/)),
})
export type SftpSettings = Readonly<v.InferOutput<typeof sftpSettingsSchema>>

/** What lets us in: kept encrypted, and shown to nobody. */
export const sftpSecretSchema = v.union([
  v.strictObject({ password: passwordSchema }),
  v.strictObject({
    key: v.pipe(v.string(), v.minLength(1, 'The key is missing'), v.maxLength(20_000)),
    passphrase: v.optional(v.pipe(v.string(), v.maxLength(1000))),
  }),
])
export type SftpSecret = v.InferOutput<typeof sftpSecretSchema>
