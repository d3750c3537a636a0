import * as v from 'valibot'
import type { Adapter } from './destination'
import type { SentContents } from './file-server/sent-contents'
import { folderDestination } from './folder/adapter'
import { folderSettingsSchema } from './folder/settings'
import { ftpDestination } from './ftp/adapter'
import { ftpSecretSchema, ftpSettingsSchema } from './ftp/settings'
import { objectStoreDestination } from './object-store/adapter'
import { objectStoreSecretSchema, objectStoreSettingsSchema } from './object-store/settings'
import { sftpDestination } from './sftp/adapter'
import { sftpSecretSchema, sftpSettingsSchema } from './sftp/settings'
import { zipDestination } from './zip/adapter'
import { zipSettingsSchema } from './zip/settings'

/** Where the site goes, by kind: what is told of it, and what lets us in. */
export const connectionSchema = v.variant('kind', [
  v.strictObject({ kind: v.literal('folder'), settings: folderSettingsSchema, secret: v.null() }),
  v.strictObject({ kind: v.literal('ftp'), settings: ftpSettingsSchema, secret: ftpSecretSchema }),
  v.strictObject({ kind: v.literal('object-store'), settings: objectStoreSettingsSchema, secret: objectStoreSecretSchema }),
  v.strictObject({ kind: v.literal('sftp'), settings: sftpSettingsSchema, secret: sftpSecretSchema }),
  v.strictObject({ kind: v.literal('zip'), settings: zipSettingsSchema, secret: v.null() }),
])
export type Connection = v.InferOutput<typeof connectionSchema>
export type ConnectionKind = Connection['kind']

/** How one that is there already is to be reached from now on; where `secret` is null, what is kept stays. */
export const changedConnectionSchema = v.variant('kind', [
  v.strictObject({ kind: v.literal('folder'), settings: folderSettingsSchema, secret: v.null() }),
  v.strictObject({ kind: v.literal('ftp'), settings: ftpSettingsSchema, secret: v.nullable(ftpSecretSchema) }),
  v.strictObject({
    kind: v.literal('object-store'),
    settings: objectStoreSettingsSchema,
    secret: v.nullable(objectStoreSecretSchema),
  }),
  v.strictObject({ kind: v.literal('sftp'), settings: sftpSettingsSchema, secret: v.nullable(sftpSecretSchema) }),
  v.strictObject({ kind: v.literal('zip'), settings: zipSettingsSchema, secret: v.null() }),
])
export type ChangedConnection = v.InferOutput<typeof changedConnectionSchema>

/** The adapter that reaches it; `kept` is what we still have of what was sent there. */
export function adapterFor(connection: Connection, kept?: SentContents): Adapter {
  switch (connection.kind) {
    case 'folder':
      return folderDestination(connection.settings)
    case 'ftp':
      return ftpDestination(connection.settings, connection.secret)
    case 'object-store':
      return objectStoreDestination(connection.settings, connection.secret)
    case 'sftp':
      return sftpDestination(connection.settings, connection.secret, kept)
    case 'zip':
      return zipDestination(connection.settings)
    default:
      return connection satisfies never
  }
}
