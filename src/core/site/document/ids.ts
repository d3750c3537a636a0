import { generateKeyBetween } from 'fractional-indexing'
import * as v from 'valibot'

/** Names that tables of records cannot have in JavaScript: readers of JSON leave them out (Valibot's `record` does). */
export const isTableName = (name: string): boolean => !['__proto__', 'prototype', 'constructor'].includes(name)

/** A name that an id, a design or a template can have. */
export const nameSchema = v.pipe(v.string(), v.regex(/^[A-Za-z0-9][A-Za-z0-9._-]{0,63}$/), v.check(isTableName, 'not a name'))

export const sectionIdSchema = v.pipe(nameSchema, v.brand('SectionId'))
export const pageIdSchema = v.pipe(nameSchema, v.brand('PageId'))
export const entryIdSchema = v.pipe(nameSchema, v.brand('EntryId'))
export type SectionId = v.InferOutput<typeof sectionIdSchema>
export type PageId = v.InferOutput<typeof pageIdSchema>
export type EntryId = v.InferOutput<typeof entryIdSchema>

/** Where one of several stands: a fractional index, compared letter by letter; ties go by id. */
export const rankSchema = v.pipe(v.string(), v.maxLength(200), v.regex(/^[0-9A-Za-z]+$/), v.check(isRank, 'Not a rank'))

function isRank(text: string): boolean {
  try {
    generateKeyBetween(text, null)
    return true
  } catch {
    return false
  }
}
