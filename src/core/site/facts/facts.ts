import * as v from 'valibot'
import { languageSchema } from '../language'
import { hoursSchema } from './hours'
import { findPhoneFault } from './phone'

const short = v.pipe(v.string(), v.maxLength(200))

export const addressSchema = v.pipe(v.strictObject({ street: short, locality: short, postcode: short, country: short }), v.readonly())
export type Address = v.InferOutput<typeof addressSchema>

/** What a site is for: which of these it should bring the client. */
export const PURPOSES = ['calls', 'enquiries', 'visits', 'bookings', 'showing', 'selling'] as const
export type Purpose = (typeof PURPOSES)[number]

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
    /** What the site should be found by and speak of. */
    keywords: v.optional(v.pipe(v.array(v.pipe(v.string(), v.minLength(1), v.maxLength(60))), v.maxLength(20), v.readonly())),
    purposes: v.optional(v.pipe(v.array(v.picklist(PURPOSES)), v.maxLength(PURPOSES.length), v.readonly())),
    /** Addresses of the client's profiles elsewhere. */
    socials: v.optional(
      v.pipe(v.array(v.pipe(v.string(), v.maxLength(300), v.regex(/^https?:\/\/[^\s<>"]+$/i))), v.maxLength(12), v.readonly()),
    ),
    /** What is special about the client, in a sentence. */
    special: v.optional(v.pipe(v.string(), v.maxLength(300))),
    /** The language that the site is written in, as BCP 47 names it: `de`, `pt-BR`, `az-Arab`. */
    language: v.optional(languageSchema),
  }),
  v.readonly(),
)
export type Facts = v.InferOutput<typeof factsSchema>
export type FactName = keyof Facts

/** Any fact's value, as an edit carries it; which one a fact takes is its own schema's to say. */
export const factValueSchema = v.union([v.string(), addressSchema, hoursSchema, v.pipe(v.array(v.string()), v.readonly())])
export type FactValue = v.InferOutput<typeof factValueSchema>

export const FACT_NAMES = [
  'name',
  'tagline',
  'trade',
  'phone',
  'email',
  'address',
  'hours',
  'keywords',
  'purposes',
  'socials',
  'special',
  'language',
] as const satisfies readonly FactName[]

/** The address on one line, empty parts left out. */
export function addressLine(address: Address): string {
  const town = [address.locality, address.postcode].filter(Boolean).join(' ')
  return [address.street, town].filter(Boolean).join(', ')
}

const EMAIL = /^[^\s@<>"]+@[^\s@<>"]+\.[^\s@<>"]{2,}$/

/** Facts that are one line of text, and how many characters each takes. */
export const FACT_LIMITS = { name: 120, tagline: 200, trade: 200, phone: 60, email: 200, special: 300 } as const satisfies Partial<
  Record<FactName, number>
>
export type TextFact = keyof typeof FACT_LIMITS

/** Why a fact as typed cannot be kept, or null. Empty means "left for later" and is always allowed. */
export function findFactFault(name: TextFact, text: string, country: string | null = null): string | null {
  const value = text.trim()
  const limit = FACT_LIMITS[name]
  if (value.length > limit) return `That is ${value.length} characters long; up to ${limit} fit. Shorten it.`
  if (value === '') return null
  if (name === 'email' && !EMAIL.test(value)) return `“${value}” is not an email address. Write it like office@example.com.`
  return name === 'phone' ? findPhoneFault(value, country) : null
}
