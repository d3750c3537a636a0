import {
  inPlace,
  LIST_FILE,
  WAITING_FOLDER,
  type FilesStanding,
  type FilesThere,
  type FileThere,
  type OwnList,
} from '../../../core/release'
import { isSame } from '../../../core/site'
import type { FileServer } from './file-server'
import type { OwnListFile } from './own-list-file'

/** A server that is connected, with our list on it. */
export type Opened = { readonly server: FileServer; readonly ownList: OwnListFile }

/** What stands on a server: our list, what of ours is in place, every file but our own two, and what waits to be put into place. */
export type Standing = FilesStanding & { readonly list: OwnList; readonly waiting: FilesThere }

export const NOBODY: OwnList = { owner: '', release: null, files: {}, kept: {}, coming: null }

/** Looks at all that is there; a list that nobody wrote is an empty one without an owner. */
export async function standingOn({ server, ownList }: Opened): Promise<Standing> {
  const all = await server.list('')
  const list = ownList.stillAmong(all) ?? (await ownList.find()) ?? NOBODY
  const waiting = new Map<string, FileThere>()
  const there = new Map<string, FileThere>()
  for (const [path, file] of all) {
    if (path.startsWith(`${WAITING_FOLDER}/`)) waiting.set(path.slice(WAITING_FOLDER.length + 1), file)
    else if (path !== LIST_FILE) there.set(path, file)
  }
  return { list, ours: inPlace(list, waiting), kept: list.kept, there, waiting }
}

/** What was sent from here: what waits, by its name, and what went straight to its place, by its path. */
export type Sent = { readonly waiting: Map<string, FileThere>; readonly placed: Map<string, FileThere> }

/** The same a little later, with what was sent since: where nobody else has written a list, nothing is looked at anew. */
export async function standingAfter(opened: Opened, before: Standing, { waiting, placed }: Sent): Promise<Standing> {
  const list = (await opened.ownList.find()) ?? NOBODY
  if (!isSame(list, before.list)) return standingOn(opened)
  return { ...before, there: new Map([...before.there, ...placed]), waiting: new Map([...before.waiting, ...waiting]) }
}

/** What waits to be put into place. */
export async function waitingOn(server: FileServer): Promise<FilesThere> {
  await server.makeFolder(WAITING_FOLDER)
  return server.list(WAITING_FOLDER)
}
