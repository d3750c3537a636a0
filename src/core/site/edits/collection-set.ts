import * as v from 'valibot'
import { collectionSchema, MAX_COLLECTIONS, nameSchema } from '../document'
import { setsRecord } from './sets-record'

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

export const collectionSet = setsRecord<CollectionSet>({
  schema: collectionSetSchema,
  table: 'collections',
  nameOf: ({ collection }) => collection,
  most: MAX_COLLECTIONS,
  many: 'collections',
  problemOf: (_, { collection, value }) => (value?.id === collection ? null : { code: 'valueWrong', place: 'collection' }),
})
