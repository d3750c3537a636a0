import * as v from 'valibot'
import type { Place } from '../document'
import { brandSet } from './brand-set'
import { collectionSet } from './collection-set'
import { dressSet } from './dress-set'
import { entryInsert } from './entry-insert'
import { entryMove } from './entry-move'
import { entryRemove } from './entry-remove'
import { entrySet } from './entry-set'
import { factSet } from './fact-set'
import { labelSet } from './label-set'
import { outfitSet } from './outfit-set'
import { pageInsert } from './page-insert'
import { pageMove } from './page-move'
import { pageRemove } from './page-remove'
import { pageSet } from './page-set'
import { planSet } from './plan-set'
import { asIsSet } from './as-is-set'
import { redirectSet } from './redirect-set'
import { sectionInsert } from './section-insert'
import { sectionMove } from './section-move'
import { sectionRemove } from './section-remove'
import { sectionSet } from './section-set'
import { signpostSet } from './signpost-set'
import { slotSet } from './slot-set'
import { verificationSet } from './verification-set'
import type { EditStep, StepType } from './step-type'

export type { EditStep }

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
  'collection/set': collectionSet,
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

// The types of the steps are told by their own files (`StepTypes`), so that none has to be listed twice.
export const stepSchema = v.variant('type', Object.values(STEPS).map(({ schema }) => schema) as never) as v.GenericSchema<EditStep>

/** The most steps of one edit. */
export const MAX_STEPS = 20_000

/** One change, as a small plain value that names its place by id. A batch is made whole or not at all. */
export const editSchema = v.union([
  stepSchema,
  v.strictObject({ type: v.literal('batch'), edits: v.pipe(v.array(stepSchema), v.maxLength(MAX_STEPS), v.readonly()) }),
])
export type Edit = v.InferOutput<typeof editSchema>

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
  // What was emptied said nothing in any language: the next words do not bring back what was said in others.
  if ('value' in first && first.value === null && 'value' in then && then.value !== null) return null
  const written = stepType(first).writes(first)
  return written !== null && written === stepType(then).writes(then) ? then : null
}
