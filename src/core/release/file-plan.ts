import { own } from '../own'
import { isHashedName } from './kept-names'
import type { Manifest } from './manifest'
import type { OwnFile, OwnFiles } from './own-list'

/**
 * A file that is really on a server: its size in bytes, and when it was last changed, by the server's own clock and in its own unit; null
 * where it does not tell that exactly.
 */
export type FileThere = { readonly bytes: number; readonly at: number | null }
/** The files that are really on a server, by path. */
export type FilesThere = ReadonlyMap<string, FileThere>

/**
 * What of ours is in place on a server that others put files on as well, and every file that is there. `kept`: what of ours was no part of
 * the release that is live either, and stayed for those who had a page of the one before.
 */
export type FilesStanding = { readonly ours: OwnFiles; readonly kept: OwnFiles; readonly there: FilesThere }

/** What putting a release on a server that only takes files does; paths in the order of their names. */
export type FilePlan = {
  readonly send: readonly string[]
  readonly same: readonly string[]
  /** Ours, and no part of the release. */
  readonly remove: readonly string[]
  /** No part of the release either, under names that nothing else will have: a page that somebody fetched just before finds them. */
  readonly stay: readonly string[]
  /** Not ours; they are never touched. */
  readonly foreign: readonly string[]
  /** Not ours, and where a file of the release is to stand, or a folder of its, capitals apart; nothing is put there unasked. */
  readonly inTheWay: readonly string[]
}

/**
 * Compares a release with what of ours is in place and with what is really there: what somebody has changed or removed is sent again.
 * Where a site is taken off, nothing stays.
 */
export function planFiles(next: Manifest, { ours, kept, there }: FilesStanding): FilePlan {
  const isOurs = (path: string): boolean => own(ours, path) !== undefined
  const isSame = (path: string): boolean => {
    const [mine, now] = [own(ours, path), own(next, path)]
    const isAlike = mine !== undefined && now !== undefined && mine.hash === now.hash && mine.leadsTo === now.leadsTo
    return isAlike && isAsLeft(mine, there.get(path))
  }
  const paths = Object.keys(next).sort()
  const strangers = [...there.keys()].filter((path) => !isOurs(path)).sort()
  const wanted = new Set(paths)
  const folders = new Set(paths.flatMap(foldersOf))
  const asFile = new Set(paths.map(folded))
  const asFolder = new Set([...folders].map(folded))
  // A file where a folder is to be, or a file under a path where a file is to be.
  const isInTheWay = (path: string): boolean =>
    asFile.has(folded(path)) || asFolder.has(folded(path)) || foldersOf(path).some((folder) => asFile.has(folded(folder)))
  const over = Object.keys(ours)
    .filter((path) => !wanted.has(path) && there.has(path))
    .sort()
  const stays = (path: string): boolean => paths.length > 0 && isHashedName(path) && own(kept, path) === undefined && !folders.has(path)
  return {
    send: paths.filter((path) => !isSame(path)),
    same: paths.filter(isSame),
    remove: over.filter((path) => !stays(path)),
    stay: over.filter(stays),
    foreign: strangers.filter((path) => !isInTheWay(path)),
    inTheWay: strangers.filter(isInTheWay),
  }
}

/**
 * Of what is to be sent, what can go straight to its place, since nobody asks for it before the pages of its release are there: its name is
 * its content's own, and nothing of another release stands there. `live`: the files of the release that visitors see.
 */
export function straightAway(send: readonly string[], live: Manifest, there: FilesThere): readonly string[] {
  const standing = new Map([...there.keys()].map((path) => [folded(path), path]))
  const isFree = (path: string): boolean => {
    const found = standing.get(folded(path))
    return found === undefined || (found === path && own(live, path) === undefined)
  }
  return send.filter((path) => isHashedName(path) && isFree(path) && !foldersOf(path).some((folder) => standing.has(folded(folder))))
}

/** What of ours is really there as we left it; what somebody else has changed is there as something that nobody knows. */
export function presentOf({ ours, there }: FilesStanding): Manifest {
  const found = Object.entries(ours).filter(([path]) => there.has(path))
  return Object.fromEntries(
    found.map(([path, entry]) => [path, isAsLeft(entry, there.get(path)) ? entry : { ...entry, hash: NOBODY_KNOWS }]),
  )
}

/** Whether nobody else has touched a file of ours since, as far as its server tells. */
export function isAsLeft({ bytes, at }: OwnFile, there: FileThere | undefined): boolean {
  return there?.bytes === bytes && (at === undefined || there.at === null || there.at === at)
}

/** The hash of what nobody has read. */
export const NOBODY_KNOWS = '0'.repeat(64)

/** A path as servers see it to which names that differ in capitals alone are one. */
export function folded(path: string): string {
  return path.toLowerCase()
}

/** The folders that a path lies in, from the outermost: of `a/b/c.html`, `a` and `a/b`. */
export function foldersOf(path: string): readonly string[] {
  const parts = path.split('/').slice(0, -1)
  return parts.map((_, i) => parts.slice(0, i + 1).join('/'))
}

/**
 * Paths in the turns in which they are put into place, so that no page is seen without what it shows: content before pages, pages
 * before the home page that leads to them, and what tells others of them last.
 */
export function inTurns(paths: readonly string[]): readonly (readonly string[])[] {
  const sorted = [...paths].sort()
  return [0, 1, 2, 3].map((turn) => sorted.filter((path) => turnOf(path) === turn)).filter((some) => some.length > 0)
}

function turnOf(path: string): number {
  if (path === 'sitemap.xml' || path === 'robots.txt') return 3
  return path === 'index.html' ? 2 : path.endsWith('.html') ? 1 : 0
}
