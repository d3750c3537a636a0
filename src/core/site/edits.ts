import * as v from 'valibot'
import { addressSchema, FACT_NAMES } from './facts'
import { hoursSchema } from './hours'
import { pageIdSchema, sectionIdSchema } from './document'
import { slotValueSchema } from './slot-value'

const factValueSchema = v.union([v.string(), addressSchema, hoursSchema])
export type FactValue = v.InferOutput<typeof factValueSchema>

const slotSet = v.strictObject({ type: v.literal('slot/set'), section: sectionIdSchema, slot: v.pipe(v.string(), v.maxLength(120)), value: v.nullable(slotValueSchema) })
const factSet = v.strictObject({ type: v.literal('fact/set'), fact: v.picklist(FACT_NAMES), value: v.nullable(factValueSchema) })
const brandSet = v.strictObject({ type: v.literal('brand/set'), part: v.picklist(['colour', 'logo']), value: v.nullable(v.string()) })
const pageSet = v.strictObject({ type: v.literal('page/set'), page: pageIdSchema, part: v.picklist(['name', 'title', 'description']), value: v.nullable(v.pipe(v.string(), v.maxLength(1000))) })

const stepSchema = v.variant('type', [slotSet, factSet, brandSet, pageSet])

/** One change, as a small plain value that names its place by id; null takes a value out again. */
export const editSchema = v.variant('type', [
  slotSet, factSet, brandSet, pageSet,
  v.strictObject({ type: v.literal('batch'), edits: v.pipe(v.array(stepSchema), v.maxLength(2000), v.readonly()) }),
])
export type Edit = v.InferOutput<typeof editSchema>
export type EditStep = v.InferOutput<typeof stepSchema>
