import PQueue from 'p-queue'
import { own } from '../../../core/own'
import {
  folded,
  foldersOf,
  inTurns,
  planFiles,
  WAITING_FOLDER,
  waitingFiles,
  type FilesThere,
  type Manifest,
  type OwnFiles,
} from '../../../core/release'
import type { OnPlaced } from '../destination'
import type { FileServer } from './file-server'
import { waitingOn, type Opened, type Standing } from './standing'

/** How many files are moved or removed at a time. */
const AT_ONCE = 8

/**
 * Puts a release whose content waits on the server into place: content first, then pages, then the home page; last of all what is not part
 * of it goes, but for what pages of the release before show. The list says so first, so that whoever finds it half done can go on. Each
 * file changes in one step.
 */
export async function putInPlace(
  { server, ownList }: Opened,
  standing: Standing,
  release: string,
  manifest: Manifest,
  onPlaced: OnPlaced,
): Promise<void> {
  const { list, ours, there } = standing
  const { send, remove, stay } = planFiles(manifest, standing)
  const waits = waitingFiles(manifest)
  const files = stamped(manifest, new Set(send), standing)
  if (!isOneStep(send, remove, standing, files)) await ownList.write({ ...list, files: ours, coming: { release, files } })
  const folders = send.flatMap(foldersOf)
  // A file of ours that stands where a folder is to be is in nobody's page any more once its page is. What differs in capitals alone from
  // what is to come may be the very same file there: removed later, that would go.
  const taken = new Set([...folders, ...send].map(folded))
  await all(
    remove.filter((path) => taken.has(folded(path))),
    (path) => server.remove(path),
  )
  await makeFolders(server, send, there)
  let placed = 0
  for (const turn of inTurns(send))
    await all(turn, async (path) => {
      const file = waits.get(path)
      await server.move(`${WAITING_FOLDER}/${file?.name ?? ''}`, path, file?.leadsTo)
      onPlaced(++placed, send.length)
    })
  await all(
    remove.filter((path) => !taken.has(folded(path))),
    (path) => server.remove(path),
  )
  const lasting = (await keepsTimes(server, send, files)) ? files : without(files, send)
  const kept = Object.fromEntries(Object.entries(ours).filter(([path]) => stay.includes(path)))
  await ownList.write({ owner: list.owner, release, files: lasting, kept, coming: null })
  await tidy(server, remove).catch(() => undefined)
}

/** Makes the folders that paths lie in, but for those in which something is. */
export async function makeFolders(server: FileServer, paths: readonly string[], there: FilesThere): Promise<void> {
  const isThere = new Set([...there.keys()].flatMap(foldersOf))
  const folders = [...new Set(paths.flatMap(foldersOf))].filter((folder) => !isThere.has(folder))
  for (const level of byDepth(folders)) await all(level, (folder) => server.makeFolder(folder))
}

/**
 * Whether all that is done is to put one file into the place of an older one, which is one step by itself: where the list does not say so
 * when it is done, the file's new time does.
 */
function isOneStep(send: readonly string[], remove: readonly string[], { list, ours }: Standing, files: OwnFiles): boolean {
  const [path, other] = send
  if (path === undefined || other !== undefined || remove.length > 0 || list.coming !== null) return false
  const [was, is] = [own(ours, path)?.at, own(files, path)?.at]
  return was !== undefined && is !== undefined && was !== is
}

/** Whether files keep their time when they are moved, as one of them tells: some servers copy them instead. */
async function keepsTimes(server: FileServer, moved: readonly string[], files: OwnFiles): Promise<boolean> {
  const [path] = moved
  const at = path === undefined ? undefined : own(files, path)?.at
  return path === undefined || at === undefined || (await server.timeOf(path)) === at
}

/** The same without the times of some. */
function without(files: OwnFiles, some: readonly string[]): OwnFiles {
  const untold = new Set(some)
  return Object.fromEntries(Object.entries(files).map(([path, { at, ...file }]) => [path, untold.has(path) ? file : { ...file, at }]))
}

/** Every file of a release with when its server saw it last changed. */
function stamped(manifest: Manifest, sent: ReadonlySet<string>, { there, waiting }: Standing): OwnFiles {
  const waits = waitingFiles(manifest)
  return Object.fromEntries(
    Object.entries(manifest).map(([path, file]) => {
      const at = (sent.has(path) ? waiting.get(waits.get(path)?.name ?? '') : there.get(path))?.at ?? null
      return [path, at === null ? file : { ...file, at }]
    }),
  )
}

/**
 * Clears away what waited for a release that never came, and folders that nothing is left in. Visitors see none of it: where the line
 * breaks meanwhile, the next release clears it away.
 */
export async function tidy(server: FileServer, removed: readonly string[] = []): Promise<void> {
  if (!(await server.removeFolder(WAITING_FOLDER))) {
    await all([...(await waitingOn(server)).keys()], (name) => server.remove(`${WAITING_FOLDER}/${name}`))
    await server.removeFolder(WAITING_FOLDER)
  }
  for (const level of byDepth([...new Set(removed.flatMap(foldersOf))]).toReversed())
    await all(level, async (folder) => void (await server.removeFolder(folder)))
}

/** Folders in turns, each after those that it lies in. */
function byDepth(folders: readonly string[]): readonly (readonly string[])[] {
  const depthOf = (folder: string): number => folder.split('/').length
  const depths = [...new Set(folders.map(depthOf))].sort((a, b) => a - b)
  return depths.map((depth) => folders.filter((folder) => depthOf(folder) === depth))
}

/** Does something with each, some at a time. After the first that fails no other is begun, and what was begun has ended. */
async function all<T>(items: readonly T[], act: (item: T) => Promise<void>): Promise<void> {
  const queue = new PQueue({ concurrency: AT_ONCE })
  const faults: unknown[] = []
  for (const item of items)
    void queue.add(() =>
      act(item).catch((error: unknown) => {
        faults.push(error)
        queue.clear()
      }),
    )
  await queue.onIdle()
  if (faults.length > 0) throw faults[0]
}
