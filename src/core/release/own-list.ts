import * as v from 'valibot'
import { own } from '../own'
import { manifestEntrySchema, sitePathSchema, type Manifest, type ManifestEntry } from './manifest'

/** Where servers that only take files keep our list of what is ours there, and what was sent and is not in its place yet. */
export const LIST_FILE = '.site-files.json'
export const WAITING_FOLDER = '.site-waiting'

/** A file as we left it. `at` is when it was last changed, by the server's own clock and in its own unit, where it tells that exactly. */
const ownFileSchema = v.strictObject({ ...manifestEntrySchema.entries, at: v.optional(v.number()) })
const ownFilesSchema = v.record(sitePathSchema, ownFileSchema)
export type OwnFile = Readonly<v.InferOutput<typeof ownFileSchema>>
export type OwnFiles = Readonly<Record<string, OwnFile>>

/**
 * What is ours on a server that only takes files. `kept`: what stays of the release before for one more. `coming`: a release whose content
 * was all sent and that is being put into place, file by file; a list that has one was left in the middle of that.
 */
export type OwnList = {
  readonly owner: string
  readonly release: string | null
  readonly files: OwnFiles
  readonly kept: OwnFiles
  readonly coming: { readonly release: string; readonly files: OwnFiles } | null
}

/** As it is written. What comes is told by how it differs from what is there: `gone` is no part of it. A list from before has it whole. */
const writtenListSchema = v.strictObject({
  owner: v.string(),
  release: v.nullable(v.string()),
  files: ownFilesSchema,
  kept: v.optional(ownFilesSchema, {}),
  coming: v.nullable(v.strictObject({ release: v.string(), files: ownFilesSchema, gone: v.optional(v.array(sitePathSchema)) })),
})

/** The SHA-256 of words, in hex. */
type SumOf = (words: string) => string

/** A list begins with the sum of what follows: so many of its bytes tell it from every other one. */
export const LIST_HEAD_BYTES = listHead('0'.repeat(64)).length

function listHead(sum: string): string {
  return `{"sum":"${sum}",`
}

/** Whether a list begins with its sum, as all do but those from before. */
export function isSummed(text: string): boolean {
  return text.startsWith('{"sum":')
}

/** A list as it is written: the same list in the same words. */
export function ownListText({ owner, release, files, kept, coming }: OwnList, sumOf: SumOf): string {
  const written: v.InferInput<typeof writtenListSchema> = {
    owner,
    release,
    coming: coming && {
      release: coming.release,
      files: inOrder(Object.entries(coming.files).filter(([path, file]) => !isSameFile(own(files, path), file))),
      gone: Object.keys(files)
        .filter((path) => own(coming.files, path) === undefined)
        .sort(),
    },
    kept: inOrder(Object.entries(kept)),
    files: inOrder(Object.entries(files)),
  }
  const rest = JSON.stringify(written).slice(1)
  return listHead(sumOf(rest)) + rest
}

/** The list that a file holds; null where it is none of ours, or damaged. */
export function parseOwnList(text: string, sumOf: SumOf): OwnList | null {
  const rest = text.slice(isSummed(text) ? LIST_HEAD_BYTES : 1)
  if (isSummed(text) && !text.startsWith(listHead(sumOf(rest)))) return null
  try {
    const { coming, ...list } = v.parse(writtenListSchema, JSON.parse(`{${rest}`))
    return { ...list, coming: coming && { release: coming.release, files: wholeComing(list.files, coming) } }
  } catch {
    return null
  }
}

type WrittenComing = NonNullable<v.InferOutput<typeof writtenListSchema>['coming']>

function wholeComing(there: OwnFiles, { files, gone }: WrittenComing): OwnFiles {
  if (gone === undefined) return files
  const goes = new Set(gone)
  return { ...Object.fromEntries(Object.entries(there).filter(([path]) => !goes.has(path))), ...files }
}

function inOrder(files: readonly (readonly [path: string, file: OwnFile])[]): OwnFiles {
  return Object.fromEntries(
    [...files]
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([path, { hash, bytes, leadsTo, at }]) => [
        path,
        { hash, bytes, ...(leadsTo !== undefined && { leadsTo }), ...(at !== undefined && { at }) },
      ]),
  )
}

function isSameFile(a: OwnFile | undefined, b: OwnFile): boolean {
  return a?.hash === b.hash && a.bytes === b.bytes && a.leadsTo === b.leadsTo && a.at === b.at
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
export function inPlace({ files, kept, coming }: OwnList, waiting: ReadonlyMap<string, unknown>): OwnFiles {
  if (!coming) return { ...kept, ...files }
  const waits = waitingFiles(coming.files)
  const moved = Object.entries(coming.files).filter(([path]) => !waiting.has(waits.get(path)?.name ?? ''))
  return { ...kept, ...files, ...Object.fromEntries(moved) }
}
