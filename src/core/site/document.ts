import * as v from 'valibot'
import { factsSchema } from './facts'
import { slotValueSchema } from './slot-value'
import { isSectionKind, type SectionKind } from './kinds'

const id = v.pipe(v.string(), v.regex(/^[A-Za-z0-9][A-Za-z0-9._-]{0,63}$/))

export const sectionIdSchema = v.pipe(id, v.brand('SectionId'))
export const pageIdSchema = v.pipe(id, v.brand('PageId'))
export type SectionId = v.InferOutput<typeof sectionIdSchema>
export type PageId = v.InferOutput<typeof pageIdSchema>

export const TONES = ['paper', 'tint', 'accent', 'ink', 'picture'] as const
export type Tone = (typeof TONES)[number]

const sectionSchema = v.pipe(
  v.strictObject({
    id: sectionIdSchema,
    kind: v.custom<SectionKind>((k) => typeof k === 'string' && isSectionKind(k), 'Unknown kind of section'),
    design: id,
    tone: v.picklist(TONES),
    /** Key of the template's section that this one was made from; null for one added by hand. */
    from: v.nullable(v.string()),
    slots: v.pipe(v.record(v.string(), slotValueSchema), v.readonly()),
  }),
  v.readonly(),
)

const pageSchema = v.pipe(
  v.strictObject({
    id: pageIdSchema,
    /** Key of the template's page that this one was made from. */
    from: v.nullable(v.string()),
    /** Last part of the page's address; the home page's is empty. */
    segment: v.pipe(v.string(), v.regex(/^$|^[a-z0-9]+(-[a-z0-9]+)*$/)),
    /** What the menu calls the page, and how a search result shows it. Absent: the template's. */
    name: v.optional(v.string()),
    title: v.optional(v.string()),
    description: v.optional(v.string()),
    sections: v.pipe(v.array(sectionSchema), v.readonly()),
  }),
  v.readonly(),
)

export const brandSchema = v.pipe(
  v.strictObject({
    /** The client's first colour, as a CSS colour that was understood. */
    colour: v.optional(v.string()),
    /** Asset id of the logo. */
    logo: v.optional(v.string()),
  }),
  v.readonly(),
)

/**
 * One client's site: only what is the client's. A slot, fact or page text that was never filled has no value here;
 * the renderer shows the template's placeholder in its place, and that is what makes it a leftover.
 */
export const siteDocumentSchema = v.pipe(
  v.strictObject({
    format: v.literal(1),
    template: id,
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
export type Brand = v.InferOutput<typeof brandSchema>
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
