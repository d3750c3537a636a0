import * as v from 'valibot'
import type { DomainLook } from '../domain'
import { record } from './shared'

/** How a domain that is typed is read: what it is called, and what leads there beside it; or why it cannot be one. */
export const domainAnswerSchema = v.variant('ok', [
  v.object({
    ok: v.literal(true),
    name: v.string(),
    shown: v.string(),
    other: v.nullable(v.string()),
    registrable: v.string(),
    stand: v.picklist(['apex', 'www', 'deeper']),
  }),
  v.object({ ok: v.literal(false), problem: v.string(), sentence: v.string() }),
])
export type DomainReply = Readonly<v.InferOutput<typeof domainAnswerSchema>>
export const domainLookSchema = record<DomainLook>()

/** How far a domain is on its way to being a job's address. */
export const domainProgressSchema = v.object({ step: v.picklist(['looking', 'asking', 'proving', 'giving']) })
export type DomainProgress = Readonly<v.InferOutput<typeof domainProgressSchema>>
