import { own } from '../own'
import * as v from 'valibot'
import type { Prepared } from '../replies'

/** The most characters that somebody notes of a release when it goes live. */
export const MAX_NOTE = 200

const hash = v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/))
/** A path inside a site: no empty, dot or hidden parts, no back-slashes; nothing that can leave the site's folder. */
export const sitePathSchema = v.pipe(v.string(), v.maxLength(300), v.regex(/^(?!\.)[^/\\\0]+(?:\/(?!\.)[^/\\\0]+)*$/))

/** Where an address leads on: a path of the site or a whole address, in printable ASCII, since it travels in a header. */
const leadsToSchema = v.pipe(v.string(), v.maxLength(2000), v.regex(/^(\/(?!\/)|https?:\/\/)[!-~]*$/))

/**
 * A file of a site: the SHA-256 and size in bytes of its content. What only leads on says where, for servers that can do so by a rule; its
 * content is a page that leads on by itself.
 */
export const manifestEntrySchema = v.strictObject({
  hash,
  bytes: v.pipe(v.number(), v.integer(), v.minValue(0)),
  leadsTo: v.optional(leadsToSchema),
})
/** One published state of a site: each path with its file. */
export const manifestSchema = v.record(sitePathSchema, manifestEntrySchema)
export type Manifest = Readonly<v.InferOutput<typeof manifestSchema>>
export type ManifestEntry = Manifest[string]

/** What publishing will do: the difference of two manifests. `bytesToSend` counts what travels. */
export type PublishPlan = Prepared['plan']
export type PlannedFile = PublishPlan['added'][number]

/**
 * What publishing changes against what is live at an address. `here`: what a destination has that keeps contents by their hash, at whatever
 * address, so that each travels once.
 */
export function planPublish(live: Manifest, next: Manifest, here: Manifest | null = null): PublishPlan {
  const list = (from: Manifest, keep: (path: string, entry: ManifestEntry) => boolean): PlannedFile[] =>
    Object.entries(from)
      .filter(([path, entry]) => keep(path, entry))
      .map(([path, entry]) => ({ path, bytes: entry.bytes }))
      .sort((a, b) => (a.path < b.path ? -1 : 1))
  const added = list(next, (path) => !Object.hasOwn(live, path))
  const changed = list(next, (path, entry) => Object.hasOwn(live, path) && own(live, path)?.hash !== entry.hash)
  const removed = list(live, (path) => !Object.hasOwn(next, path))
  const sum = (files: readonly PlannedFile[]): number => files.reduce((total, f) => total + f.bytes, 0)
  return {
    added,
    changed,
    removed,
    unchanged: Object.keys(next).length - added.length - changed.length,
    bytesToSend: here ? sum(missingFrom(here, next)) : sum(added) + sum(changed),
    bytesTotal: sum(list(next, () => true)),
  }
}

/** Each content of a release that another has not, once. */
function missingFrom(here: Manifest, next: Manifest): readonly PlannedFile[] {
  const known = new Set(Object.values(here).map(({ hash }) => hash))
  const missing = new Map<string, PlannedFile>()
  for (const [path, { hash, bytes }] of Object.entries(next)) if (!known.has(hash)) missing.set(hash, { path, bytes })
  return [...missing.values()]
}
