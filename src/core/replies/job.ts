import * as v from 'valibot'
import type { AssetInfo, AssetTable } from '../image'
import type { TemplateLibrary } from '../pack'
import type { KeptSection, LoosePage } from '../plan'
import type { Edit, SiteDocument } from '../site'
import { list, record } from './shared'

const name = v.nullable(v.string())

/** A row of a job's log as it is kept, with the revision that it made. */
export const savedRowSchema = v.object({
  id: v.string(),
  revision: v.number(),
  gesture: v.string(),
  who: name,
  undoes: name,
  edit: record<Edit>(),
  inverse: record<Edit>(),
})
export type SavedRow = Readonly<v.InferOutput<typeof savedRowSchema>>

/** A row that was not written, with why; everything else that came with it was. */
const refusedRowSchema = v.object({ id: v.string(), problem: v.object({ code: v.string(), sentence: v.string() }) })
export type RefusedRow = Readonly<v.InferOutput<typeof refusedRowSchema>>

/**
 * What the log says. `rows`: every one since the revision that was asked from; none where they are too many, and the job is to be opened
 * anew. `written`: those sent that are in the log, from now or from before.
 */
export const appendedSchema = v.object({
  revision: v.number(),
  rows: list(savedRowSchema),
  written: list(v.string()),
  refused: list(refusedRowSchema),
  /** The version of the templates and designs that the rows may name. */
  library: v.string(),
})
export type Appended = Readonly<v.InferOutput<typeof appendedSchema>>

/** Rows of the log in order, ending with its newest; `isFirst` where there is nothing before them. */
export const historyPageSchema = v.object({ rows: list(savedRowSchema), isFirst: v.boolean() })
export type HistoryPage = Readonly<v.InferOutput<typeof historyPageSchema>>

/** What a screen needs to work on a job. */
export const openJobSchema = v.object({
  id: v.string(),
  revision: v.number(),
  document: record<SiteDocument>(),
  history: historyPageSchema,
  /** The job's own pictures; those of templates come with the library. */
  assets: record<AssetTable>(),
  /** The version of the templates and designs that are here. */
  library: v.string(),
  /** What the site wears and is not here. */
  missing: list(v.string()),
})
export type OpenJob = Readonly<v.InferOutput<typeof openJobSchema>>

export const libraryReplySchema = record<TemplateLibrary>()

/** A site as it was. */
export const versionViewSchema = v.object({ revision: v.number(), document: record<SiteDocument>() })
export type VersionView = Readonly<v.InferOutput<typeof versionViewSchema>>
/** Null where nothing is live. */
export const versionReplySchema = v.object({ past: v.nullable(versionViewSchema) })
export type VersionReply = Readonly<v.InferOutput<typeof versionReplySchema>>

/** A section kept for any job, with the pictures that it shows. */
export const keptLineSchema = v.object({
  id: v.string(),
  name: v.string(),
  keptAt: v.string(),
  section: record<KeptSection>(),
  assets: list(record<AssetInfo>()),
})
export type KeptLine = Readonly<v.InferOutput<typeof keptLineSchema>>
export const keptLinesSchema = v.object({ kept: list(keptLineSchema) })
export type KeptLines = Readonly<v.InferOutput<typeof keptLinesSchema>>

/** The pages of a job as another can take them, with the pictures that they show. */
export const jobPagesSchema = v.object({ pages: list(record<LoosePage>()), assets: list(record<AssetInfo>()) })
export type JobPages = Readonly<v.InferOutput<typeof jobPagesSchema>>
