import type { FilesThere, FileThere } from '../../../core/release'

/**
 * A server that only takes files, as its kind brings it: one folder, in which all paths lie. Calls may overlap. Whatever fails that is no
 * `DestinationError` means that the line broke.
 */
export type FileServer = {
  /**
   * Every file under a folder, '' for the whole one, by its path from there; a link is listed as a file of -1 bytes, and never followed.
   */
  readonly list: (under: string) => Promise<FilesThere>
  /** When a file was last changed, by the server's clock; null where it does not tell that exactly. */
  readonly timeOf: (path: string) => Promise<number | null>
  /** How many files and folders lie in the folder itself. */
  readonly count: () => Promise<number>
  /** A file's content, and its time; null where there is none. Where it is known, a server that gives parts is asked for its head only. */
  readonly read: (path: string, known?: Known | null) => Promise<FileRead | null>
  /**
   * Writes a file in a folder that is there; answers with when that was, by the server's clock, where it tells that exactly. A server that
   * copies within itself takes what is alike from a file that is there.
   */
  readonly write: (path: string, content: Buffer, from?: AlikeFile | null) => Promise<number | null>
  /** Gives a file another name, in place of what has that already; where the server leads on by a rule, it is told whither. */
  readonly move: (from: string, to: string, leadsTo?: string) => Promise<void>
  /** Removes a file; one that is gone is no fault. */
  readonly remove: (path: string) => Promise<void>
  /** Makes one folder; one that is there already is no fault. */
  readonly makeFolder: (path: string) => Promise<void>
  /** Removes a folder where it is empty; else leaves it. Answers with whether it is known to be gone. */
  readonly removeFolder: (path: string) => Promise<boolean>
  readonly close: () => void
}

export type FileRead = Pick<FileThere, 'at'> & { readonly content: Buffer }

/** What a file may hold; its first `head` bytes tell it from everything else. */
export type Known = { readonly content: Buffer; readonly head: number }

/** A file that is there, with what it holds for as long as it was last changed then. */
export type AlikeFile = { readonly path: string; readonly content: Buffer; readonly at: number }

/** Opens a server; `alive` is to be called whenever something came of what was asked, so that slow work is not taken for a broken line. */
export type OpenServer = (alive: () => void) => Promise<FileServer>
