import * as v from 'valibot'
import { hoursSchema } from './hours'

const short = v.pipe(v.string(), v.maxLength(200))

export const addressSchema = v.pipe(
  v.strictObject({ street: short, locality: short, postcode: short, country: short }),
  v.readonly(),
)
export type Address = v.InferOutput<typeof addressSchema>

/** The client's details, kept once and shown wherever a slot refers to them. An absent fact shows the template's. */
export const factsSchema = v.pipe(
  v.strictObject({
    name: v.optional(v.pipe(v.string(), v.maxLength(120))),
    tagline: v.optional(short),
    trade: v.optional(short),
    phone: v.optional(v.pipe(v.string(), v.maxLength(60))),
    email: v.optional(short),
    address: v.optional(addressSchema),
    hours: v.optional(hoursSchema),
  }),
  v.readonly(),
)
export type Facts = v.InferOutput<typeof factsSchema>
export type FactName = keyof Facts

export const FACT_NAMES = ['name', 'tagline', 'trade', 'phone', 'email', 'address', 'hours'] as const satisfies readonly FactName[]

/** A telephone address for `tel:` links: digits and a leading plus, as RFC 3966 allows them. */
export function toTelUri(phone: string): string {
  const digits = phone.replace(/\(0\)/g, '').replace(/[^\d+]/g, '')
  return 'tel:' + (digits.startsWith('+') ? '+' : '') + digits.replace(/\+/g, '')
}

/** The address on one line, empty parts left out. */
export function addressLine(address: Address): string {
  const town = [address.locality, address.postcode].filter(Boolean).join(' ')
  return [address.street, town].filter(Boolean).join(', ')
}

const EMAIL = /^[^\s@<>"]+@[^\s@<>"]+\.[^\s@<>"]{2,}$/

/** Why a fact as typed cannot be kept, or null. Empty means "left for later" and is always allowed. */
export function findFactFault(name: Exclude<FactName, 'address' | 'hours'>, text: string): string | null {
  const value = text.trim()
  const limit = name === 'name' ? 120 : name === 'phone' ? 60 : 200
  if (value.length > limit) return `That is ${value.length} characters long; up to ${limit} fit. Shorten it.`
  if (value === '') return null
  if (name === 'email' && !EMAIL.test(value)) return `“${value}” is not an email address. Write it like office@example.com.`
  if (name === 'phone' && value.replace(/\D/g, '').length < 5) return `“${value}” has too few digits for a telephone number. Write it as it is dialled, such as 01632 960417.`
  return null
}
