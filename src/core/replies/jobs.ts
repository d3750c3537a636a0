import * as v from 'valibot'
import { list } from './shared'

/** Where a job lies: among the work, in the archive, or in the bin. */
export const SHELVES = ['work', 'archive', 'bin'] as const
export type Shelf = (typeof SHELVES)[number]

/** What the list shows of a job. */
export const jobLineSchema = v.object({
  id: v.string(),
  name: v.string(),
  trade: v.string(),
  /** Null where they cannot be counted now. */
  leftovers: v.nullable(v.number()),
  stage: v.picklist(['Brief', 'Content', 'Publish']),
  liveUrl: v.nullable(v.string()),
  lastReleaseAt: v.nullable(v.string()),
  releaseNumber: v.nullable(v.number()),
  /** Edits since what is live; null where nothing is. */
  editsSince: v.nullable(v.number()),
  /** Why the job cannot be worked on now, in a sentence; null where it can. Other jobs are not touched by it. */
  trouble: v.nullable(v.string()),
  shelf: v.picklist(SHELVES),
  shelvedAt: v.nullable(v.string()),
  /** When it was last worked on. */
  workedAt: v.string(),
  /** When it was made as a copy of another job; null for one that was begun anew. */
  copiedAt: v.nullable(v.string()),
})
export type JobLine = Readonly<v.InferOutput<typeof jobLineSchema>>
export const jobLinesSchema = v.object({ jobs: list(jobLineSchema) })
export type JobLines = Readonly<v.InferOutput<typeof jobLinesSchema>>
/** What is left of the list when something was done with a job, with the copy where one was made. */
export const shelvedSchema = v.object({ jobs: list(jobLineSchema), job: v.optional(v.string()) })
export type Shelved = Readonly<v.InferOutput<typeof shelvedSchema>>

export const madeJobSchema = v.object({ job: v.string() })
export type MadeJob = Readonly<v.InferOutput<typeof madeJobSchema>>

/** A handover read in: the job that it is now, which templates came along, and what it is without. */
export const importedJobSchema = v.object({
  job: v.string(),
  name: v.string(),
  isCopy: v.boolean(),
  packs: list(v.string()),
  without: list(v.string()),
})
export type ImportedJob = Readonly<v.InferOutput<typeof importedJobSchema>>

export const importedPackSchema = v.object({ templates: list(v.string()) })
export type ImportedPack = Readonly<v.InferOutput<typeof importedPackSchema>>
