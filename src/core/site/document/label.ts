import * as v from 'valibot'
import { saidPart } from '../language'
import { isTableName } from './ids'

/** The name of a word that a design, or the renderer, says of itself. */
export const labelNameSchema = v.pipe(v.string(), v.regex(/^[a-z][a-z0-9-]{0,59}$/), v.check(isTableName, 'not a name'))
/** The longest that a label is, in UTF-16 units. */
export const MAX_LABEL = 200
export const labelTextSchema = v.pipe(v.string(), v.maxLength(MAX_LABEL))
/** How a site says a label otherwise. */
export const labelSchema = v.strictObject({ text: labelTextSchema, said: saidPart(labelTextSchema) })
