import * as v from 'valibot'
import { list } from './shared'

/** A refusal or a failure, in words that a person can act on; `faults` of a pack that could not be read, by file and line. */
export const problemReplySchema = v.object({
  problem: v.object({
    code: v.string(),
    sentence: v.string(),
    faults: v.optional(list(v.object({ file: v.string(), line: v.number(), fault: v.string() }))),
  }),
})
export type ProblemReply = Readonly<v.InferOutput<typeof problemReplySchema>>
