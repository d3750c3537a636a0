import * as v from 'valibot'
import type { Place } from '../document'
import { brandSet, brandSetSchema } from './brand-set'
import { dressSet, dressSetSchema } from './dress-set'
import { entryInsert, entryInsertSchema } from './entry-insert'
import { entryMove, entryMoveSchema } from './entry-move'
import { entryRemove, entryRemoveSchema } from './entry-remove'
import { entrySet, entrySetSchema } from './entry-set'
import { factSet, factSetSchema } from './fact-set'
import { labelSet, labelSetSchema } from './label-set'
import { outfitSet, outfitSetSchema } from './outfit-set'
import { pageInsert, pageInsertSchema } from './page-insert'
import { pageMove, pageMoveSchema } from './page-move'
import { pageRemove, pageRemoveSchema } from './page-remove'
import { pageSet, pageSetSchema } from './page-set'
import { planSet, planSetSchema } from './plan-set'
import { asIsSet, asIsSetSchema } from './as-is-set'
import { redirectSet, redirectSetSchema } from './redirect-set'
import { sectionInsert, sectionInsertSchema } from './section-insert'
import { sectionMove, sectionMoveSchema } from './section-move'
import { sectionRemove, sectionRemoveSchema } from './section-remove'
import { sectionSet, sectionSetSchema } from './section-set'
import { signpostSet, signpostSetSchema } from './signpost-set'
import { slotSet, slotSetSchema } from './slot-set'
import { verificationSet, verificationSetSchema } from './verification-set'
import type { EditStep, StepType } from './step-type'

export type { EditStep }

export const stepSchema = v.variant('type', [
  slotSetSchema,
  factSetSchema,
  labelSetSchema,
  brandSetSchema,
  dressSetSchema,
  pageInsertSchema,
  pageRemoveSchema,
  pageMoveSchema,
  pageSetSchema,
  planSetSchema,
  signpostSetSchema,
  redirectSetSchema,
  verificationSetSchema,
  asIsSetSchema,
  sectionInsertSchema,
  sectionRemoveSchema,
  sectionMoveSchema,
  sectionSetSchema,
  entryInsertSchema,
  entryRemoveSchema,
  entryMoveSchema,
  entrySetSchema,
  outfitSetSchema,
])

/** The most steps of one edit. */
export const MAX_STEPS = 20_000

/** One change, as a small plain value that names its place by id. A batch is made whole or not at all. */
export const editSchema = v.union([
  stepSchema,
  v.strictObject({ type: v.literal('batch'), edits: v.pipe(v.array(stepSchema), v.maxLength(MAX_STEPS), v.readonly()) }),
])
export type Edit = v.InferOutput<typeof editSchema>

const STEPS = {
  'slot/set': slotSet,
  'fact/set': factSet,
  'label/set': labelSet,
  'brand/set': brandSet,
  'dress/set': dressSet,
  'page/insert': pageInsert,
  'page/remove': pageRemove,
  'page/move': pageMove,
  'page/set': pageSet,
  'plan/set': planSet,
  'signpost/set': signpostSet,
  'redirect/set': redirectSet,
  'verification/set': verificationSet,
  'as-is/set': asIsSet,
  'section/insert': sectionInsert,
  'section/remove': sectionRemove,
  'section/move': sectionMove,
  'section/set': sectionSet,
  'entry/insert': entryInsert,
  'entry/remove': entryRemove,
  'entry/move': entryMove,
  'entry/set': entrySet,
  'outfit/set': outfitSet,
} satisfies { [T in EditStep['type']]: StepType<Extract<EditStep, { type: T }>> }

export function stepType(step: EditStep): StepType<EditStep> {
  return STEPS[step.type] as unknown as StepType<EditStep>
}

export function stepsOf(edit: Edit): readonly EditStep[] {
  return edit.type === 'batch' ? edit.edits : [edit]
}

/** An edit of some steps. */
export function toEdit(steps: readonly EditStep[]): Edit {
  const [only] = steps
  return only && steps.length === 1 ? only : { type: 'batch', edits: steps }
}

/** The first place that an edit sets, so that a screen can go there; null where it sets none. */
export function placeOfEdit(edit: Edit): Place | null {
  for (const step of stepsOf(edit)) {
    const place = stepType(step).place(step)
    if (place) return place
  }
  return null
}

/** One edit that does what two of one gesture do, where the later writes over the earlier; null where both are needed. */
export function mergeEdits(first: Edit, then: Edit): Edit | null {
  if (first.type === 'batch' || then.type === 'batch') return null
  const written = stepType(first).writes(first)
  return written !== null && written === stepType(then).writes(then) ? then : null
}
