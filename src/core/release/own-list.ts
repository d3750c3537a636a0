import * as v from 'valibot'
import { manifestSchema, type Manifest, type ManifestEntry } from './manifest'

/** Where servers that only take files keep our list of what is ours there, and what was sent and is not in its place yet. */
export const LIST_FILE = '.site-files.json'
export const WAITING_FOLDER = '.site-waiting'

/**
 * What is ours on a server that only takes files. `kept`: what stays of the release before for one more. `coming`: a release whose content
 * was all sent and that is being put into place, file by file; a list that has one was left in the middle of that.
 */
const ownListSchema = v.strictObject({
  owner: v.string(),
  release: v.nullable(v.string()),
  files: manifestSchema,
  kept: v.optional(manifestSchema, {}),
  coming: v.nullable(v.strictObject({ release: v.string(), files: manifestSchema })),
})
export type OwnList = Readonly<v.InferOutput<typeof ownListSchema>>

/** The list that a file holds; null where it is none of ours, or damaged. */
export function parseOwnList(text: string): OwnList | null {
  try {
    return v.parse(ownListSchema, JSON.parse(text))
  } catch {
    return null
  }
}

export type WaitingFile = ManifestEntry & { readonly name: string }

/**
 * Every file of a release, by its path, with what it is called while it waits: the same for the same release, so that what was sent
 * before a line broke is known again.
 */
export function waitingFiles(manifest: Manifest): ReadonlyMap<string, WaitingFile> {
  const counts = new Map<string, number>()
  const inOrder = Object.entries(manifest).sort(([a], [b]) => (a < b ? -1 : 1))
  return new Map(
    inOrder.map(([path, entry]) => {
      const nth = counts.get(entry.hash) ?? 0
      counts.set(entry.hash, nth + 1)
      return [path, { ...entry, name: `${entry.hash}-${nth}` }]
    }),
  )
}

/** What of ours is in place: where a release was left half put there, what does not wait any more is there. */
export function inPlace({ files, kept, coming }: OwnList, waiting: ReadonlyMap<string, number>): Manifest {
  if (!coming) return { ...kept, ...files }
  const waits = waitingFiles(coming.files)
  const moved = Object.entries(coming.files).filter(([path]) => !waiting.has(waits.get(path)?.name ?? ''))
  return { ...kept, ...files, ...Object.fromEntries(moved) }
}
