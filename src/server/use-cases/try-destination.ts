import * as v from 'valibot'
import { changedReachSchema, type Reach } from '../destinations/kinds'
import { reachOf } from '../destinations/registry'
import { folderTrial } from '../destinations/folder/trial'
import { folderSettingsSchema } from '../destinations/folder/settings'
import { ftpSecretSchema, ftpSettingsSchema } from '../destinations/ftp/settings'
import { ftpTrial } from '../destinations/ftp/trial'
import { objectStoreSecretSchema, objectStoreSettingsSchema } from '../destinations/object-store/settings'
import { objectStoreTrial } from '../destinations/object-store/trial'
import { sftpSecretSchema, sftpSettingsSchema } from '../destinations/sftp/settings'
import { sftpTrial } from '../destinations/sftp/trial'
import { zipSettingsSchema } from '../destinations/zip/settings'
import { zipTrial } from '../destinations/zip/trial'
import { tryOut, type Trial, type TrialResult } from '../destinations/trial/trial'
import { keptDestination, originSchema, wholeReach } from './destinations'

/** What is to be tried: a destination that is kept, as it is or changed, or a new one; then a host’s key is found out. */
export const trialSchema = v.union([
  v.strictObject({ destination: v.string(), changed: v.optional(v.strictObject({ origin: originSchema, reach: changedReachSchema })) }),
  v.strictObject({
    origin: originSchema,
    reach: v.variant('kind', [
      v.strictObject({ kind: v.literal('folder'), settings: folderSettingsSchema }),
      v.strictObject({ kind: v.literal('ftp'), settings: ftpSettingsSchema, secret: ftpSecretSchema }),
      v.strictObject({ kind: v.literal('object-store'), settings: objectStoreSettingsSchema, secret: objectStoreSecretSchema }),
      v.strictObject({ kind: v.literal('zip'), settings: zipSettingsSchema }),
      v.strictObject({ kind: v.literal('sftp'), settings: v.omit(sftpSettingsSchema, ['hostKey']), secret: sftpSecretSchema }),
    ]),
  }),
])
export type TrialInput = v.InferOutput<typeof trialSchema>
/**
 * Every step with what came of it, and by what the server is known from now on: the key of its host, or a certificate that nobody vouches
 * for; null where it has neither.
 */
export type Tried = { readonly results: readonly TrialResult[]; readonly knownBy: string | null }

/** Tries a connection step by step, and tells of each as it comes. Nothing of the site is sent. */
export async function tryDestination(job: string, input: TrialInput, onResult: (result: TrialResult) => void): Promise<Tried> {
  let knownBy: string | null = null
  const { parts, close } = trialOf(job, input, (found) => (knownBy = found))
  try {
    return { results: await tryOut(parts, onResult), knownBy }
  } finally {
    close()
  }
}

function trialOf(job: string, input: TrialInput, onKnownBy: (found: string) => void): Trial {
  const { origin, reach } = 'destination' in input ? keptReach(job, input) : input
  switch (reach.kind) {
    case 'folder':
      return folderTrial(reach.settings, origin)
    case 'zip':
      return zipTrial(reach.settings, origin)
    case 'ftp':
      return ftpTrial(reach.settings, reach.secret, origin, onKnownBy)
    case 'object-store':
      return objectStoreTrial(reach.settings, reach.secret, origin)
    case 'sftp':
      return sftpTrial({ hostKey: null, ...reach.settings }, reach.secret, origin, onKnownBy)
    default:
      return reach satisfies never
  }
}

function keptReach(
  job: string,
  { destination, changed }: Extract<TrialInput, { readonly destination: string }>,
): { readonly origin: string; readonly reach: Reach } {
  const row = keptDestination(job, destination)
  if (changed) return { origin: changed.origin, reach: wholeReach(row, changed.reach) }
  return { origin: row.origin, reach: reachOf(row) }
}
