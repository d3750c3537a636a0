import { withValue } from '../../own'
import * as v from 'valibot'
import {
  collectionRoleSchema,
  COLUMN_PARTS,
  columnSchema,
  daySchema,
  findPage,
  listedSchema,
  nameSchema,
  MAX_PAGE_TEXT,
  PAGE_TEXTS,
  pageIdSchema,
  pageOriginSchema,
  placeOfPage,
  segmentSchema,
  withRecord,
  type Page,
  type PageText,
} from '../document'
import { languageSchema } from '../language'
import { say, saidSteps, spokenText, toTextCell } from './say-cell'
import { refused, type StepType } from './step-type'

const onPage = { type: v.literal('page/set'), page: pageIdSchema }
/**
 * Sets something of a page: one of its texts (null: the template's again; with a language, what it says there), its address and whether
 * that is the client's, where it is listed, whether it is hidden, or not to be found by those who search, the columns at its sides, what it
 * was made from, what it is to which collection, and its day.
 */
export const pageSetSchema = v.variant('part', [
  v.strictObject({
    ...onPage,
    part: v.picklist(PAGE_TEXTS),
    value: v.nullable(v.pipe(v.string(), v.maxLength(MAX_PAGE_TEXT))),
    language: v.optional(languageSchema),
  }),
  v.strictObject({ ...onPage, part: v.literal('segment'), value: segmentSchema }),
  v.strictObject({ ...onPage, part: v.literal('addressed'), value: v.boolean() }),
  v.strictObject({ ...onPage, part: v.literal('listed'), value: listedSchema }),
  v.strictObject({ ...onPage, part: v.picklist(['hidden', 'unfound']), value: v.boolean() }),
  v.strictObject({ ...onPage, part: v.picklist(COLUMN_PARTS), value: v.nullable(columnSchema) }),
  v.strictObject({ ...onPage, part: v.literal('origin'), value: v.nullable(pageOriginSchema) }),
  v.strictObject({ ...onPage, part: v.literal('role'), value: v.nullable(collectionRoleSchema) }),
  v.strictObject({ ...onPage, part: v.literal('collection'), value: v.nullable(nameSchema) }),
  v.strictObject({ ...onPage, part: v.literal('date'), value: v.nullable(daySchema) }),
])
export type PageSet = v.InferOutput<typeof pageSetSchema>

declare module './step-type' {
  interface StepTypes {
    'page/set': PageSet
  }
}

export const pageSet: StepType<PageSet> = {
  schema: pageSetSchema,
  apply: (document, step) => {
    const page = findPage(document, step.page)
    if (!page) return refused({ code: 'pageGone', page: step.page })
    if ('language' in step && step.language !== undefined && page.texts[step.part] === undefined) return refused({ code: 'ownWordsGone' })
    const { next, inverse } = set(page, step)
    return { ok: true, document: { ...document, pages: withRecord(document.pages, next, placeOfPage) }, inverse }
  },
  place: ({ page, part }) => {
    if (part === 'segment' || part === 'addressed') return { type: 'page', page, part: 'address' }
    return isPageText(part) ? { type: 'page', page, part } : null
  },
  writes: (step) => `page ${step.page} ${step.part} ${'language' in step ? (step.language ?? '') : ''}`,
}

function isPageText(part: PageSet['part']): part is PageText {
  return (PAGE_TEXTS as readonly string[]).includes(part)
}

function set(page: Page, step: PageSet): { readonly next: Page; readonly inverse: readonly PageSet[] } {
  switch (step.part) {
    case 'segment':
      return { next: { ...page, segment: step.value }, inverse: [{ ...step, value: page.segment }] }
    case 'addressed': {
      const { addressed = false, ...rest } = page
      return { next: step.value ? { ...rest, addressed: true } : rest, inverse: [{ ...step, value: addressed }] }
    }
    case 'hidden':
    case 'unfound':
      return { next: withValue(page, step.part, step.value || null), inverse: [{ ...step, value: page[step.part] ?? false }] }
    case 'listed':
      return { next: { ...page, listed: step.value }, inverse: [{ ...step, value: page.listed }] }
    case 'startColumn':
    case 'endColumn':
      return { next: withValue(page, step.part, step.value), inverse: [{ ...step, value: page[step.part] ?? null }] }
    case 'role':
    case 'collection':
    case 'date':
      return { next: withValue(page, step.part, step.value), inverse: [{ ...step, value: page[step.part] ?? null } as PageSet] }
    case 'origin':
      return { next: { ...page, origin: step.value }, inverse: [{ ...step, value: page.origin }] }
    default: {
      const was = spokenText(page.texts[step.part])
      const is = say(was, step)
      const { language: _, ...at } = step
      return {
        next: { ...page, texts: withValue(page.texts, step.part, toTextCell(is)) },
        inverse: saidSteps(is, was).map((said) => ({ ...at, ...said })),
      }
    }
  }
}
