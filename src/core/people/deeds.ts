/** Something that somebody did with a job, in one go. */
export type Deed = {
  /** The revision that it began with. */
  readonly first: number
  readonly at: string
  readonly who: string
  readonly deed: string
  readonly where: string
  /** The words that it wrote, as many as fit a line. */
  readonly words: string
}
/** What a job takes on the disk, in bytes: its log and states, and its pictures; with how many changes and releases it has. */
export type JobSize = { readonly rows: number; readonly history: number; readonly pictures: number; readonly releases: number }
/** A page of a job's history, newest first. */
export type Deeds = { readonly deeds: readonly Deed[]; readonly isAll: boolean; readonly size: JobSize }
