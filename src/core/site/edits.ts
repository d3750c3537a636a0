import * as v from 'valibot'
import { BRAND_PARTS } from './brand'
import { addressSchema, FACT_NAMES } from './facts'
import { hoursSchema } from './hours'
import { arrangementSchema, pageIdSchema, sectionIdSchema } from './document'
import { slotValueSchema } from './slot-value'

const factValueSchema = v.union([v.string(), addressSchema, hoursSchema, v.pipe(v.array(v.string()), v.readonly())])
export type FactValue = v.InferOutput<typeof factValueSchema>

const slotSet = v.strictObject({ type: v.literal('slot/set'), section: sectionIdSchema, slot: v.pipe(v.string(), v.maxLength(120)), value: v.nullable(slotValueSchema) })
const factSet = v.strictObject({ type: v.literal('fact/set'), fact: v.picklist(FACT_NAMES), value: v.nullable(factValueSchema) })
/** The value is checked against the brand's own schema when the edit is applied. */
const brandSet = v.strictObject({ type: v.literal('brand/set'), part: v.picklist(BRAND_PARTS), value: v.unknown() })
const pageSet = v.strictObject({ type: v.literal('page/set'), page: pageIdSchema, part: v.picklist(['name', 'title', 'description']), value: v.nullable(v.pipe(v.string(), v.maxLength(1000))) })

const sectionSet = v.strictObject({ type: v.literal('section/set'), section: sectionIdSchema, part: v.picklist(['design', 'tone']), value: v.pipe(v.string(), v.regex(/^[a-z0-9]+(-[a-z0-9]+)*$/), v.maxLength(64)) })
const schemeSet = v.strictObject({ type: v.literal('scheme/set'), scheme: v.nullable(v.pipe(v.string(), v.maxLength(130))), dark: v.union([v.boolean(), v.literal('visitor')]) })
const arrange = v.strictObject({ type: v.literal('arrange'), to: arrangementSchema })
const steps = [slotSet, factSet, brandSet, pageSet, sectionSet, schemeSet, arrange] as const
const stepSchema = v.variant('type', steps)

/** One change, as a small plain value that names its place by id; null takes a value out again. */
export const editSchema = v.variant('type', [
  ...steps,
  v.strictObject({ type: v.literal('batch'), edits: v.pipe(v.array(stepSchema), v.maxLength(2000), v.readonly()) }),
])
export type Edit = v.InferOutput<typeof editSchema>
export type EditStep = v.InferOutput<typeof stepSchema>

/** Why an edit could not be made: its place is gone or takes something else. */
export type EditProblem =
  | { readonly code: 'sectionGone'; readonly section: string }
  | { readonly code: 'pageGone'; readonly page: string }
  | { readonly code: 'slotUnknown'; readonly slot: string }
  | { readonly code: 'valueWrong'; readonly place: string }
  | { readonly code: 'idTwice'; readonly id: string }
