import * as v from 'valibot'
import { findVerificationFault, MAX_VERIFICATIONS, verificationNameSchema, verificationSchema } from '../document'
import { setsRecord } from './sets-record'

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

export const verificationSet = setsRecord<VerificationSet>({
  schema: verificationSetSchema,
  table: 'verifications',
  nameOf: ({ name }) => name,
  most: MAX_VERIFICATIONS,
  many: 'verifications',
  problemOf: (_, { name, value }) =>
    value !== null && findVerificationFault(name, value) !== null ? { code: 'valueWrong', place: name } : null,
})
