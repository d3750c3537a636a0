import * as v from 'valibot'
import type { Adapter } from './destination'
import type { Kept } from './file-server/kept'
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
export const reachSchema = v.variant('kind', [
  v.strictObject({ kind: v.literal('folder'), settings: folderSettingsSchema, secret: v.null() }),
  v.strictObject({ kind: v.literal('ftp'), settings: ftpSettingsSchema, secret: ftpSecretSchema }),
  v.strictObject({ kind: v.literal('object-store'), settings: objectStoreSettingsSchema, secret: objectStoreSecretSchema }),
  v.strictObject({ kind: v.literal('sftp'), settings: sftpSettingsSchema, secret: sftpSecretSchema }),
  v.strictObject({ kind: v.literal('zip'), settings: zipSettingsSchema, secret: v.null() }),
])
export type Reach = v.InferOutput<typeof reachSchema>
export type ReachKind = Reach['kind']

/** How one that is there already is to be reached from now on; where `secret` is null, what is kept stays. */
export const changedReachSchema = v.variant('kind', [
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
export type ChangedReach = v.InferOutput<typeof changedReachSchema>

/** The adapter that reaches it; `kept` is what we still have of what was sent there. */
export function adapterFor(reach: Reach, kept?: Kept): Adapter {
  switch (reach.kind) {
    case 'folder':
      return folderDestination(reach.settings)
    case 'ftp':
      return ftpDestination(reach.settings, reach.secret)
    case 'object-store':
      return objectStoreDestination(reach.settings, reach.secret)
    case 'sftp':
      return sftpDestination(reach.settings, reach.secret, kept)
    case 'zip':
      return zipDestination(reach.settings)
    default:
      return reach satisfies never
  }
}
