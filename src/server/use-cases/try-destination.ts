import * as v from 'valibot'
import type { TestedConnection, TestResult } from '../../core/replies'
import { changedConnectionSchema, type Connection } from '../destinations/kinds'
import { connectionOf } from '../destinations/registry'
import { folderTest } from '../destinations/folder/connection-test'
import { folderSettingsSchema } from '../destinations/folder/settings'
import { ftpSecretSchema, ftpSettingsSchema } from '../destinations/ftp/settings'
import { ftpTest } from '../destinations/ftp/connection-test'
import { objectStoreSecretSchema, objectStoreSettingsSchema } from '../destinations/object-store/settings'
import { objectStoreTest } from '../destinations/object-store/connection-test'
import { sftpSecretSchema, sftpSettingsSchema } from '../destinations/sftp/settings'
import { sftpTest } from '../destinations/sftp/connection-test'
import { zipSettingsSchema } from '../destinations/zip/settings'
import { zipTest } from '../destinations/zip/connection-test'
import { testConnection, type ConnectionTest } from '../destinations/connection-test/connection-test'
import { keptDestination, originSchema, wholeConnection } from './destinations'

/** What is to be tried: a destination that is kept, as it is or changed, or a new one; then a host’s key is found out. */
export const connectionTestSchema = v.union([
  v.strictObject({
    destination: v.string(),
    changed: v.optional(v.strictObject({ origin: originSchema, connection: changedConnectionSchema })),
  }),
  v.strictObject({
    origin: originSchema,
    connection: v.variant('kind', [
      v.strictObject({ kind: v.literal('folder'), settings: folderSettingsSchema }),
      v.strictObject({ kind: v.literal('ftp'), settings: ftpSettingsSchema, secret: ftpSecretSchema }),
      v.strictObject({ kind: v.literal('object-store'), settings: objectStoreSettingsSchema, secret: objectStoreSecretSchema }),
      v.strictObject({ kind: v.literal('zip'), settings: zipSettingsSchema }),
      v.strictObject({ kind: v.literal('sftp'), settings: v.omit(sftpSettingsSchema, ['hostKey']), secret: sftpSecretSchema }),
    ]),
  }),
])
export type ConnectionTestInput = v.InferOutput<typeof connectionTestSchema>
/**
 * Every step with what came of it, and by what the server is known from now on: the key of its host, or a certificate that nobody vouches
 * for; null where it has neither.
 */
/** Tries a connection step by step, and tells of each as it comes. Nothing of the site is sent. */
export async function tryDestination(
  job: string,
  input: ConnectionTestInput,
  onResult: (result: TestResult) => void,
): Promise<TestedConnection> {
  let knownBy: string | null = null
  const { parts, close } = connectionTestOf(job, input, (found) => (knownBy = found))
  try {
    return { results: await testConnection(parts, onResult), knownBy }
  } finally {
    close()
  }
}

function connectionTestOf(job: string, input: ConnectionTestInput, onKnownBy: (found: string) => void): ConnectionTest {
  const { origin, connection } = 'destination' in input ? savedConnectionOf(job, input) : input
  switch (connection.kind) {
    case 'folder':
      return folderTest(connection.settings, origin)
    case 'zip':
      return zipTest(connection.settings, origin)
    case 'ftp':
      return ftpTest(connection.settings, connection.secret, origin, onKnownBy)
    case 'object-store':
      return objectStoreTest(connection.settings, connection.secret, origin)
    case 'sftp':
      return sftpTest({ hostKey: null, ...connection.settings }, connection.secret, origin, onKnownBy)
    default:
      return connection satisfies never
  }
}

function savedConnectionOf(
  job: string,
  { destination, changed }: Extract<ConnectionTestInput, { readonly destination: string }>,
): { readonly origin: string; readonly connection: Connection } {
  const row = keptDestination(job, destination)
  if (changed) return { origin: changed.origin, connection: wholeConnection(row, changed.connection) }
  return { origin: row.origin, connection: connectionOf(row) }
}
