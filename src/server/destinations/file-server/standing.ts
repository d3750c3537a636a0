import { inPlace, LIST_FILE, parseOwnList, WAITING_FOLDER, type FilesStanding, type FilesThere, type OwnList } from '../../../core/release'
import { DestinationError } from '../destination'
import type { FileServer } from './file-server'

/** What stands on a server: our list, what of ours is in place, every file but our own two, and what waits to be put into place. */
export type Standing = FilesStanding & { readonly list: OwnList; readonly waiting: FilesThere }

/** A list that is being put into the place of the one of before. */
const NEW_LIST = `${WAITING_FOLDER}/list`
export const NOBODY: OwnList = { owner: '', release: null, files: {}, kept: {}, coming: null }

/** Looks at all that is there; a list that nobody wrote is an empty one without an owner. */
export async function standingOn(server: FileServer): Promise<Standing> {
  const [all, list] = [await server.list(''), (await findList(server)) ?? NOBODY]
  const waiting = new Map<string, number>()
  const there = new Map<string, number>()
  for (const [path, bytes] of all) {
    if (path.startsWith(`${WAITING_FOLDER}/`)) waiting.set(path.slice(WAITING_FOLDER.length + 1), bytes)
    else if (path !== LIST_FILE) there.set(path, bytes)
  }
  return { list, ours: inPlace(list, waiting), kept: list.kept, there, waiting }
}

/** The same a little later: where nobody else has written a list since, only what waits is looked at anew. */
export async function standingAfter(server: FileServer, before: Standing): Promise<Standing> {
  const list = (await findList(server)) ?? NOBODY
  if (JSON.stringify(list) !== JSON.stringify(before.list)) return standingOn(server)
  return { ...before, waiting: await waitingOn(server) }
}

/** What waits to be put into place. */
export async function waitingOn(server: FileServer): Promise<FilesThere> {
  await server.makeFolder(WAITING_FOLDER)
  return server.list(WAITING_FOLDER)
}

/** Our list on a server; null where there is none. */
export async function findList(server: FileServer): Promise<OwnList | null> {
  const content = await server.read(LIST_FILE)
  if (!content) return settledList(server)
  const list = parseOwnList(content.toString('utf8'))
  // Without it nobody could tell what is ours: rather nothing is touched.
  if (!list) throw new DestinationError('refused', `the list of what is ours there, ${LIST_FILE}, cannot be read`)
  return list
}

/** Where the line broke while the list was being replaced, the new one waits, whole: it is put into its place before anything else. */
async function settledList(server: FileServer): Promise<OwnList | null> {
  const list = parseOwnList((await server.read(NEW_LIST))?.toString('utf8') ?? '')
  if (list) await server.move(NEW_LIST, LIST_FILE)
  return list
}

/** Writes the list in one step: whoever reads it finds the one of before or this one. */
export async function writeList(server: FileServer, list: OwnList): Promise<void> {
  await server.makeFolder(WAITING_FOLDER)
  await server.write(NEW_LIST, Buffer.from(JSON.stringify(list)))
  await server.move(NEW_LIST, LIST_FILE)
}
