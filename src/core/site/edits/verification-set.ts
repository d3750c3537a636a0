import { own, withValue } from '../../own'
import * as v from 'valibot'
import { findVerificationFault, MAX_VERIFICATIONS, verificationNameSchema, verificationSchema } from '../document'
import { refused, type StepType } from './step-type'

/** Sets what shows a service whose site this is, a tag or a file by its name; null takes it away. */
export const verificationSetSchema = v.strictObject({
  type: v.literal('verification/set'),
  name: verificationNameSchema,
  value: v.nullable(verificationSchema),
})
export type VerificationSet = v.InferOutput<typeof verificationSetSchema>

declare module './step-type' {
  interface StepTypes {
    'verification/set': VerificationSet
  }
}

export const verificationSet: StepType<VerificationSet> = {
  schema: verificationSetSchema,
  apply: (document, step) => {
    const { name, value } = step
    const was = own(document.verifications, name) ?? null
    if (value !== null && findVerificationFault(name, value) !== null) return refused({ code: 'valueWrong', place: name })
    if (value !== null && was === null && Object.keys(document.verifications).length >= MAX_VERIFICATIONS)
      return refused({ code: 'tooMany', of: 'verifications' })
    return {
      ok: true,
      document: { ...document, verifications: withValue(document.verifications, name, value) },
      inverse: [{ ...step, value: was }],
    }
  },
  place: () => null,
  writes: ({ name }) => `verification ${name}`,
}
