/** Something that somebody did with a job, in one go. */
export type Deed = {
  /** The revisions that it began and ended with. */
  readonly first: number
  readonly last: number
  readonly at: string
  readonly who: string
  readonly deed: string
  readonly where: string
  /** The words that it wrote, as many as fit a line. */
  readonly words: string
}
/** What a job takes on the disk, in bytes: its log and states, and its pictures; with how many changes and releases it has. */
export type JobSize = { readonly rows: number; readonly history: number; readonly pictures: number; readonly releases: number }
/** A state of a site that somebody gave a name, so that it is found again. */
export type Point = { readonly revision: number; readonly name: string; readonly at: string }
/** The longest name of a point, in UTF-16 units. */
export const MAX_POINT = 80
/** A page of a job's history, newest first. */
export type Deeds = {
  readonly deeds: readonly Deed[]
  readonly isAll: boolean
  readonly size: JobSize
  /** The states that have a name, the newest first. */
  readonly points: readonly Point[]
}
