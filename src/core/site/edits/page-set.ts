import { withValue } from '../../own'
import * as v from 'valibot'
import {
  COLUMN_PARTS,
  columnSchema,
  findPage,
  listedSchema,
  MAX_PAGE_TEXT,
  PAGE_TEXTS,
  pageIdSchema,
  pageOriginSchema,
  placeOfPage,
  segmentSchema,
  withRecord,
  type Page,
} from '../document'
import { refused, type StepType } from './step-type'

const onPage = { type: v.literal('page/set'), page: pageIdSchema }
/**
 * Sets something of a page: one of its texts (null: the template's again), its address and whether that is the client's, where it is
 * listed, whether it is hidden, or not to be found by those who search, the columns at its sides, what it was made from.
 */
export const pageSetSchema = v.variant('part', [
  v.strictObject({ ...onPage, part: v.picklist(PAGE_TEXTS), value: v.nullable(v.pipe(v.string(), v.maxLength(MAX_PAGE_TEXT))) }),
  v.strictObject({ ...onPage, part: v.literal('segment'), value: segmentSchema }),
  v.strictObject({ ...onPage, part: v.literal('addressed'), value: v.boolean() }),
  v.strictObject({ ...onPage, part: v.literal('listed'), value: listedSchema }),
  v.strictObject({ ...onPage, part: v.picklist(['hidden', 'unfound']), value: v.boolean() }),
  v.strictObject({ ...onPage, part: v.picklist(COLUMN_PARTS), value: v.nullable(columnSchema) }),
  v.strictObject({ ...onPage, part: v.literal('origin'), value: v.nullable(pageOriginSchema) }),
])
export type PageSet = v.InferOutput<typeof pageSetSchema>

declare module './step-type' {
  interface StepTypes {
    'page/set': PageSet
  }
}

export const pageSet: StepType<PageSet> = {
  apply: (document, step) => {
    const page = findPage(document, step.page)
    if (!page) return refused({ code: 'pageGone', page: step.page })
    const { next, inverse } = set(page, step)
    return { ok: true, document: { ...document, pages: withRecord(document.pages, next, placeOfPage) }, inverse: [inverse] }
  },
  place: ({ page, part }) => {
    if (part === 'listed' || part === 'origin' || part === 'startColumn' || part === 'endColumn') return null
    if (part === 'hidden' || part === 'unfound') return null
    return { type: 'page', page, part: part === 'segment' || part === 'addressed' ? 'address' : part }
  },
  writes: ({ page, part }) => `page ${page} ${part}`,
}

function set(page: Page, step: PageSet): { readonly next: Page; readonly inverse: PageSet } {
  switch (step.part) {
    case 'segment':
      return { next: { ...page, segment: step.value }, inverse: { ...step, value: page.segment } }
    case 'addressed': {
      const { addressed = false, ...rest } = page
      return { next: step.value ? { ...rest, addressed: true } : rest, inverse: { ...step, value: addressed } }
    }
    case 'hidden':
    case 'unfound':
      return { next: withValue(page, step.part, step.value || null), inverse: { ...step, value: page[step.part] ?? false } }
    case 'listed':
      return { next: { ...page, listed: step.value }, inverse: { ...step, value: page.listed } }
    case 'startColumn':
    case 'endColumn':
      return { next: withValue(page, step.part, step.value), inverse: { ...step, value: page[step.part] ?? null } }
    case 'origin':
      return { next: { ...page, origin: step.value }, inverse: { ...step, value: page.origin } }
    default: {
      const texts = withValue(page.texts, step.part, step.value === null ? null : { text: step.value })
      return { next: { ...page, texts }, inverse: { ...step, value: page.texts[step.part]?.text ?? null } }
    }
  }
}
