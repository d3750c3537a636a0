import type { FilesThere } from '../../../core/release'

/**
 * A server that only takes files, as its kind brings it: one folder, in which all paths lie. Calls may overlap. Whatever fails that is no
 * `DestinationError` means that the line broke.
 */
export type FileServer = {
  /**
   * Every file under a folder, '' for the whole one, by its path from there, with its size in bytes; a link is listed as a file of -1
   * bytes, and never followed.
   */
  readonly list: (under: string) => Promise<FilesThere>
  /** How many files and folders lie in the folder itself. */
  readonly count: () => Promise<number>
  /** A file's content; null where there is none. */
  readonly read: (path: string) => Promise<Buffer | null>
  /** Writes a file in a folder that is there. */
  readonly write: (path: string, content: Buffer) => Promise<void>
  /** Gives a file another name, in place of what has that already; where the server leads on by a rule, it is told whither. */
  readonly move: (from: string, to: string, leadsTo?: string) => Promise<void>
  /** Removes a file; one that is gone is no fault. */
  readonly remove: (path: string) => Promise<void>
  /** Makes one folder; one that is there already is no fault. */
  readonly makeFolder: (path: string) => Promise<void>
  /** Removes a folder where it is empty; else leaves it. */
  readonly removeFolder: (path: string) => Promise<void>
  readonly close: () => void
}

/** Opens a server; `alive` is to be called whenever something came of what was asked, so that slow work is not taken for a broken line. */
export type OpenServer = (alive: () => void) => Promise<FileServer>
