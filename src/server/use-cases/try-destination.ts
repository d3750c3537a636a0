import * as v from 'valibot'
import { reachOf } from '../destinations/registry'
import { folderTrial } from '../destinations/folder/trial'
import { folderSettingsSchema } from '../destinations/folder/settings'
import { sftpSecretSchema, sftpSettingsSchema } from '../destinations/sftp/settings'
import { sftpTrial } from '../destinations/sftp/trial'
import { tryOut, type TrialResult } from '../destinations/trial/trial'
import { Problem } from '../http/problems'
import { findDestination } from '../store/destinations'
import { originSchema } from './destinations'

/** What is to be tried: a destination that is kept, or one that is about to be; the key of its host is found out. */
export const trialSchema = v.union([
  v.strictObject({ destination: v.string() }),
  v.strictObject({
    origin: originSchema,
    reach: v.variant('kind', [
      v.strictObject({ kind: v.literal('folder'), settings: folderSettingsSchema }),
      v.strictObject({ kind: v.literal('sftp'), settings: v.omit(sftpSettingsSchema, ['hostKey']), secret: sftpSecretSchema }),
    ]),
  }),
])
export type TrialInput = v.InferOutput<typeof trialSchema>
/** Every step with what came of it, and the key that the host showed; null where it has none. */
export type Tried = { readonly results: readonly TrialResult[]; readonly hostKey: string | null }

/** Tries a connection step by step, and tells of each as it comes. Nothing of the site is sent. */
export async function tryDestination(job: string, input: TrialInput, onResult: (result: TrialResult) => void): Promise<Tried> {
  let hostKey: string | null = null
  const { parts, close } = trialOf(job, input, (key) => (hostKey = key))
  try {
    return { results: await tryOut(parts, onResult), hostKey }
  } finally {
    close()
  }
}

function trialOf(job: string, input: TrialInput, onHostKey: (key: string) => void): ReturnType<typeof sftpTrial> {
  const { origin, reach } = 'destination' in input ? keptReach(job, input.destination) : input
  if (reach.kind === 'folder') return folderTrial(reach.settings, origin)
  return sftpTrial({ hostKey: null, ...reach.settings }, reach.secret, origin, onHostKey)
}

function keptReach(job: string, id: string): { readonly origin: string; readonly reach: ReturnType<typeof reachOf> } {
  const row = findDestination(id)
  if (row?.job !== job) throw new Problem('destinationGone')
  return { origin: row.origin, reach: reachOf(row) }
}
