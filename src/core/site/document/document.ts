import { memoBy, memoOf } from '../../memo'
import { own } from '../../own'
import * as v from 'valibot'
import { brandSchema } from '../brand'
import { factCellsSchema, factsOf } from '../facts/fact-cells'
import { languageSchema } from '../language'
import { collectionSchema } from './collection'
import { COLUMN_PARTS, columnParts, columnPart, SIDES, type Column, type Side } from './column'
import { entrySchema, placeOfEntry, type Entry } from './entry'
import { nameSchema, type PageId, type SectionId } from './ids'
import { labelNameSchema, labelSchema } from './label'
import { standingIn } from './order'
import { dressSchema, outfitSchema } from './outfit'
import { pagePlace, pageSchema, placeOfPage, type Page, type PageIn } from './page'
import { redirectPathSchema, redirectToSchema } from './redirect'
import { signpostSchema } from './signpost'
import { verificationNameSchema, verificationSchema } from './verification'
import { pageOf, placeOfSection, sectionPlace, sectionSchema, type Section, type SectionIn } from './section'

const table = <T extends v.GenericSchema>(of: T) => v.pipe(v.record(v.string(), of), v.readonly())

/** What a check found, as its name and the words: no name of anything that objects have. */
export const asIsSchema = v.pipe(v.string(), v.regex(/^[a-z]+: /), v.maxLength(400))

export const planSchema = v.pipe(
  v.strictObject({ flat: v.optional(v.literal(true)), onePage: v.optional(v.literal(true)), ...columnParts }),
  v.readonly(),
)
export type Plan = v.InferOutput<typeof planSchema>
export const PLAN_PARTS = ['flat', 'onePage', ...COLUMN_PARTS] as const

/**
 * One client's site: only what is the client's. A place that was never filled has no value here; the renderer shows the
 * template's placeholder in its stead, and that is what makes it a leftover. Pages, sections and entries are records by
 * id, each of which says where it stands; so moving one is one small change that meets no other.
 */
export const siteDocumentSchema = v.pipe(
  v.strictObject({
    format: v.literal(3),
    /** The language of the template that the site began on: the site's own until the client's is given as a fact. */
    language: languageSchema,
    dress: dressSchema,
    facts: factCellsSchema,
    brand: brandSchema,
    /** Words that designs and the renderer say of themselves, where the site says them otherwise. */
    labels: v.pipe(v.record(labelNameSchema, labelSchema), v.readonly()),
    pages: table(pageSchema),
    /** Entries of menus that are no pages. */
    signposts: v.optional(table(signpostSchema), {}),
    collections: v.optional(table(collectionSchema), {}),
    /** Addresses that lead on, where that is said by hand; what else leads on is reckoned from what was published. */
    redirects: v.optional(v.pipe(v.record(redirectPathSchema, redirectToSchema), v.readonly()), {}),
    /** What shows services whose site this is: tags of the home page and files at the root, by name. */
    verifications: v.optional(v.pipe(v.record(verificationNameSchema, verificationSchema), v.readonly()), {}),
    /** How addresses are made: absent, they follow the tree; flat, each page stands right under the root. */
    plan: v.optional(planSchema, {}),
    /** Words that a check found and that are to stay as they are. */
    asIs: v.optional(v.pipe(v.record(asIsSchema, v.literal(true)), v.readonly()), {}),
    sections: table(sectionSchema),
    entries: table(entrySchema),
    outfits: v.pipe(v.record(nameSchema, outfitSchema), v.readonly()),
  }),
  v.readonly(),
)
export type SiteDocument = v.InferOutput<typeof siteDocumentSchema>

/** Every page in the order of the tree, each before those under it. The first is the home page, so there is always one and never two. */
export function pagesOf({ pages }: Pick<SiteDocument, 'pages'>): readonly Page[] {
  return inOrder(pages)
}

const inOrder = memoOf((pages: SiteDocument['pages']): readonly Page[] => {
  const under = (where: PageIn): Page[] =>
    standingIn(pages, placeOfPage, pagePlace(where)).flatMap((page) => [page, ...under({ type: 'page', page: page.id })])
  return under({ type: 'site' })
})

/** The pages right under another, or at the top, in order. */
export function pagesIn({ pages }: Pick<SiteDocument, 'pages'>, where: PageIn): readonly Page[] {
  return standingIn(pages, placeOfPage, pagePlace(where))
}

/** The page that another stands under; null for one at the top. */
export function parentOf(document: Pick<SiteDocument, 'pages'>, page: Page): Page | null {
  return page.in.type === 'page' ? (own(document.pages, page.in.page) ?? null) : null
}

/** A page with all that it stands under, itself last. */
export function lineOf(document: Pick<SiteDocument, 'pages'>, page: Page): readonly Page[] {
  const line = [page]
  for (let up = parentOf(document, page); up && !line.includes(up); up = parentOf(document, up)) line.unshift(up)
  return line
}

/** Whether visitors never see a page: it, or a page that it stands under, is hidden. */
export function isHidden(document: Pick<SiteDocument, 'pages'>, page: Page): boolean {
  return lineOf(document, page).some((one) => one.hidden)
}

/** The pages that visitors see, in order. */
export function shownPages(document: Pick<SiteDocument, 'pages'>): readonly Page[] {
  const pages = pagesOf(document)
  return pages.some((page) => page.hidden) ? pages.filter((page) => !isHidden(document, page)) : pages
}

export function homePage(document: SiteDocument): Page {
  const home = pagesOf(document)[0]
  if (!home) throw new Error('A site document has at least one page')
  return home
}

/** The language that a site speaks. */
export function siteLanguage(document: Pick<SiteDocument, 'facts' | 'language'>): string {
  return factsOf(document).language ?? document.language
}

/** The sections that stand in a place, in order. */
export function sectionsIn(document: SiteDocument, where: SectionIn): readonly Section[] {
  return standingIn(document.sections, placeOfSection, sectionPlace(where))
}

export function sectionsOn(document: SiteDocument, page: PageId): readonly Section[] {
  return sectionsIn(document, { type: 'page', page })
}

/** The column that a page has at a side by its own word, or that the whole site has; one that is not to be shown is none. */
export function ownColumn(document: Pick<SiteDocument, 'pages' | 'plan'>, page: PageId | null, side: Side): Column | null {
  const of = page === null ? document.plan : own(document.pages, page)
  const column = of?.[columnPart(side)]
  return column === undefined || column.width === 'none' ? null : column
}

/** A page's own sections with those of the side columns that are its own: the very answer of before while it stands as before. */
export function sectionsOfPage(document: SiteDocument, page: PageId): readonly Section[] {
  const main = sectionsOn(document, page)
  const { startColumn, endColumn } = own(document.pages, page) ?? {}
  if (startColumn === undefined && endColumn === undefined) return main
  const sides = SIDES.flatMap((side) => (ownColumn(document, page, side) ? [sectionsIn(document, { type: 'side', side, page })] : []))
  return sides.every((sections) => sections.length === 0) ? main : together(main, ...sides)
}

const together = memoBy(
  (...parts: readonly [readonly Section[], ...(readonly Section[])[]]) => parts,
  (...parts): readonly Section[] => parts.flat(),
)

/** The sections that every page shows: at its head, in the columns of the whole site, and at its foot. */
export function sharedSections(document: SiteDocument): readonly Section[] {
  const columns = SIDES.flatMap((side) => (ownColumn(document, null, side) ? sectionsIn(document, { type: 'side', side, page: null }) : []))
  return [...sectionsIn(document, { type: 'header' }), ...columns, ...sectionsIn(document, { type: 'footer' })]
}

/** Every section that a page shows, what stands at its head and foot among them; null is the page for wrong addresses. */
export function allOfPage(document: SiteDocument, page: PageId | null): readonly Section[] {
  return [...sharedSections(document), ...(page === null ? sectionsIn(document, { type: 'notFound' }) : sectionsOfPage(document, page))]
}

/** Every section of the site: those that every page shows, each page's, those of the page for wrong addresses. */
export function allSections(document: SiteDocument): readonly Section[] {
  const pages = pagesOf(document).flatMap((page) => sectionsOfPage(document, page.id))
  return [...sharedSections(document), ...pages, ...sectionsIn(document, { type: 'notFound' })]
}

/** The records of a section's entries, of all its lists; in no order that means anything. */
export function entriesOf(document: SiteDocument, section: SectionId): readonly Entry[] {
  return standingIn(document.entries, placeOfEntry, section)
}

export function findSection(document: SiteDocument, section: string): Section | null {
  return own(document.sections, section) ?? null
}

export function findPage(document: SiteDocument, page: string): Page | null {
  return own(document.pages, page) ?? null
}

/** The page that a section stands on; null where it is gone or stands on every page. */
export function pageOfSection(document: SiteDocument, section: string): Page | null {
  const found = findSection(document, section)
  const page = found && pageOf(found.in)
  return page === null ? null : findPage(document, page)
}
