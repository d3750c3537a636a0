import * as v from 'valibot'
import { brandSchema } from './brand'
import { factsSchema } from './facts'
import { slotValueSchema } from './slot-value'
import { isSectionKind, type SectionKind } from './kinds'
import { TONES } from './tones'

const id = v.pipe(v.string(), v.regex(/^[A-Za-z0-9][A-Za-z0-9._-]{0,63}$/))

export const sectionIdSchema = v.pipe(id, v.brand('SectionId'))
export const pageIdSchema = v.pipe(id, v.brand('PageId'))
export type SectionId = v.InferOutput<typeof sectionIdSchema>
export type PageId = v.InferOutput<typeof pageIdSchema>

const placing = {
  id: sectionIdSchema,
  kind: v.custom<SectionKind>((k) => typeof k === 'string' && isSectionKind(k), 'Unknown kind of section'),
  design: id,
  tone: v.picklist(TONES),
  /** Key of the template's section that this one was made from; null for one added by hand. */
  from: v.nullable(v.string()),
}
const slotsSchema = v.pipe(v.record(v.string(), slotValueSchema), v.readonly())
const sectionSchema = v.pipe(v.strictObject({ ...placing, slots: slotsSchema }), v.readonly())
/** A section's place and dress; its content only where it may have to be brought back. */
const placedSectionSchema = v.pipe(v.strictObject({ ...placing, slots: v.optional(slotsSchema) }), v.readonly())

const pagePlacing = {
  id: pageIdSchema,
  /** Page of a template that this one was made from: its key, or `template/key` where the template is not the site's. */
  from: v.nullable(v.string()),
  /** Last part of the page's address; the home page's is empty. */
  segment: v.pipe(v.string(), v.regex(/^$|^[a-z0-9]+(-[a-z0-9]+)*$/)),
  /** Where the page is listed: in the menu (absent), only at the foot of every page, or nowhere. */
  menu: v.optional(v.picklist(['foot', 'none'])),
  /** What the menu calls the page, and how a search result shows it. Absent: the template's. */
  name: v.optional(v.string()),
  title: v.optional(v.string()),
  description: v.optional(v.string()),
}
const pageSchema = v.pipe(v.strictObject({ ...pagePlacing, sections: v.pipe(v.array(sectionSchema), v.readonly()) }), v.readonly())
const placedPageSchema = v.pipe(v.strictObject({ ...pagePlacing, sections: v.pipe(v.array(placedSectionSchema), v.readonly()) }), v.readonly())

const wearing = {
  template: id,
  /** Key of a scheme of the template's or of a general one (`general/chalk`); absent: the template's first. */
  scheme: v.optional(v.string()),
  /** The scheme's dark form: always, or where a visitor's own system is set to dark. */
  dark: v.optional(v.union([v.literal(true), v.literal('visitor')])),
}
const wornSchema = v.strictObject({
  ...wearing,
  header: placedSectionSchema,
  footer: placedSectionSchema,
  pages: v.pipe(v.array(placedPageSchema), v.minLength(1), v.readonly()),
})
const wornTableSchema = v.pipe(v.record(v.string(), v.pipe(wornSchema, v.readonly())), v.readonly())

/** Everything of a site that is not content: which pages and sections there are, in which order, and what they wear. */
export const arrangementSchema = v.pipe(v.strictObject({ ...wornSchema.entries, worn: v.optional(wornTableSchema) }), v.readonly())
export type PlacedSection = v.InferOutput<typeof placedSectionSchema>
export type PlacedPage = v.InferOutput<typeof placedPageSchema>
export type Worn = v.InferOutput<typeof wornSchema>
export type Arrangement = v.InferOutput<typeof arrangementSchema>

/**
 * One client's site: only what is the client's. A slot, fact or page text that was never filled has no value here;
 * the renderer shows the template's placeholder in its place, and that is what makes it a leftover.
 */
export const siteDocumentSchema = v.pipe(
  v.strictObject({
    format: v.literal(1),
    ...wearing,
    /** How the site was arranged on templates it wore before, so that going back to one finds everything where it stood. */
    worn: v.optional(wornTableSchema),
    language: v.pipe(v.string(), v.regex(/^[a-z]{2,3}(-[A-Za-z0-9]{2,8})*$/)),
    facts: factsSchema,
    brand: brandSchema,
    /** Sections that stand on every page. */
    header: sectionSchema,
    footer: sectionSchema,
    /** In menu order; the first is the home page. */
    pages: v.pipe(v.array(pageSchema), v.minLength(1), v.readonly()),
  }),
  v.readonly(),
)

export type Section = v.InferOutput<typeof sectionSchema>
export type Page = v.InferOutput<typeof pageSchema>
export type SiteDocument = v.InferOutput<typeof siteDocumentSchema>

/** Every section of the site: header, each page's, footer. */
export function allSections(document: SiteDocument): readonly Section[] {
  return [document.header, ...document.pages.flatMap((page) => page.sections), document.footer]
}

export function findSection(document: SiteDocument, section: SectionId): Section | null {
  return allSections(document).find((s) => s.id === section) ?? null
}

export function findPage(document: SiteDocument, page: PageId): Page | null {
  return document.pages.find((p) => p.id === page) ?? null
}

/** Where a section is shown: an edit says its reach before it happens. */
export function reachOf(document: SiteDocument, section: SectionId): 'this page' | 'every page' {
  return document.header.id === section || document.footer.id === section ? 'every page' : 'this page'
}
