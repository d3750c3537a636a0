import { own } from '../own'
import type { Manifest } from './manifest'
import { pathOfVisitors } from './visitors'

/** The most addresses that one notice names. IndexNow, “Submitting set of URLs”; from memory. */
const MOST_NOTICED = 10_000

/** A release as those who search see it: its files, and the paths that its map lists. */
export type Listed = { readonly manifest: Manifest; readonly listed: ReadonlySet<string> }

/**
 * The paths that those who search should look at again: pages that came, that changed or that are listed no more. Pages that are not to be
 * found, and were not before, are nobody's business.
 */
export function noticedPaths(was: Listed | null, now: Listed): readonly string[] {
  const hashes = ({ manifest }: Listed): ReadonlyMap<string, string> =>
    new Map(
      Object.entries(manifest)
        .filter(([file]) => file.endsWith('.html'))
        .map(([file, { hash }]) => [pathOfVisitors(file), hash]),
    )
  const before = was ? hashes(was) : new Map<string, string>()
  const after = hashes(now)
  const isListed = (path: string): boolean => now.listed.has(path) || (was?.listed.has(path) ?? false)
  const differs = (path: string): boolean =>
    before.get(path) !== after.get(path) || (was?.listed.has(path) ?? false) !== now.listed.has(path)
  return [...new Set([...before.keys(), ...after.keys()])]
    .filter((path) => isListed(path) && differs(path))
    .sort()
    .slice(0, MOST_NOTICED)
}

/** Where a site shows whose notices are its own: a file at its root, named by what is in it. */
export function noticeFile(key: string): string {
  return `${key}.txt`
}

/** What is sent: whose site it is, what shows that, and the addresses. All of them are of that host. */
export function noticeOf(origin: string, key: string, urls: readonly string[]): Readonly<Record<string, unknown>> {
  return { host: new URL(origin).host, key, keyLocation: `${origin}/${noticeFile(key)}`, urlList: urls }
}

/** What an answer says, by its status, and whether it is worth asking again; null where the notice was taken. */
export function noticeFault(status: number): { readonly words: string; readonly isForNow: boolean } | null {
  if (status === 200 || status === 202) return null
  const words = own(SAID, String(status)) ?? `it answered with status ${status}`
  return { words, isForNow: status === 429 || status >= 500 || status === 403 }
}

// IndexNow, “Response format”; from memory. A key that cannot be read yet may be a moment later: the site has only just come.
const SAID: Readonly<Record<string, string>> = {
  '400': 'it could not read the notice',
  '403': 'it did not find the key on the site',
  '422': 'it says that the addresses are not of this site',
  '429': 'it was told too often for now',
}
