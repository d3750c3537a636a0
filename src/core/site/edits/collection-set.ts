import { own, withValue } from '../../own'
import * as v from 'valibot'
import { collectionSchema, MAX_COLLECTIONS, nameSchema } from '../document'
import { refused, type StepType } from './step-type'

/** Begins or changes a collection; null takes it away. Its pages stay as they are, and are in none until it is there again. */
const collectionSetSchema = v.strictObject({
  type: v.literal('collection/set'),
  collection: nameSchema,
  value: v.nullable(collectionSchema),
})
type CollectionSet = v.InferOutput<typeof collectionSetSchema>

declare module './step-type' {
  interface StepTypes {
    'collection/set': CollectionSet
  }
}

export const collectionSet: StepType<CollectionSet> = {
  schema: collectionSetSchema,
  apply: (document, step) => {
    const { collection, value } = step
    const was = own(document.collections, collection) ?? null
    if (value && value.id !== collection) return refused({ code: 'valueWrong', place: 'collection' })
    if (value && !was && Object.keys(document.collections).length >= MAX_COLLECTIONS) return refused({ code: 'tooMany', of: 'collections' })
    return {
      ok: true,
      document: { ...document, collections: withValue(document.collections, collection, value) },
      inverse: [{ ...step, value: was }],
    }
  },
  place: () => null,
  writes: ({ collection }) => `collection ${collection}`,
}
