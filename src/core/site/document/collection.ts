import * as v from 'valibot'
import { saidPart } from '../language'
import { nameSchema } from './ids'

/** What a page is to its collection: the page that lists it, one of its items, or what all its items have alike. */
export const collectionRoleSchema = v.picklist(['list', 'item', 'plan'])
export type CollectionRole = v.InferOutput<typeof collectionRoleSchema>

/** In what order a collection's items stand: the newest first, by name, or as they are put by hand. */
export const COLLECTION_ORDERS = ['day', 'name', 'hand'] as const
export const MAX_COLLECTION_NAME = 120
export const MAX_COLLECTIONS = 100

const nameTextSchema = v.pipe(v.string(), v.minLength(1), v.maxLength(MAX_COLLECTION_NAME))

/** Things of which there will always be one more, each of them a page: a journal, works, courses. */
export const collectionSchema = v.pipe(
  v.strictObject({
    id: nameSchema,
    name: v.pipe(v.strictObject({ text: nameTextSchema, said: saidPart(nameTextSchema) }), v.readonly()),
    order: v.picklist(COLLECTION_ORDERS),
  }),
  v.readonly(),
)
export type Collection = v.InferOutput<typeof collectionSchema>
