import {
  getCountries,
  isSupportedCountry,
  parsePhoneNumberFromString,
  validatePhoneNumberLength,
  type CountryCode,
} from 'libphonenumber-js/min'

/** Names in English of every country that has telephone numbers, and what people write for some of them. */
let countries: Map<string, CountryCode> | null = null

function countryNames(): Map<string, CountryCode> {
  if (countries) return countries
  const names = new Intl.DisplayNames(['en'], { type: 'region' })
  countries = new Map(getCountries().map((code) => [(names.of(code) ?? code).toLowerCase(), code]))
  for (const name of ['uk', 'great britain', 'england', 'scotland', 'wales', 'northern ireland']) countries.set(name, 'GB')
  for (const name of ['usa', 'united states of america']) countries.set(name, 'US')
  return countries
}

/** The ISO 3166-1 code of a country as people write it (`GB`, `uk`, `Germany`); null where it names none. */
export function toCountryCode(written: string | null | undefined): CountryCode | null {
  const words = (written ?? '').trim()
  const code = words.toUpperCase()
  if (isSupportedCountry(code)) return code
  return countryNames().get(words.toLowerCase()) ?? null
}

/** The country that a number without a + is dialled in, where nothing says which. */
const USUAL: CountryCode = 'GB'

/** A telephone number in E.164 (`+441632960417`), whatever way it is written; null where it cannot be one. */
export function toE164(phone: string, country: string | null = null): string | null {
  const code = toCountryCode(country) ?? USUAL
  const asked = `${code} ${phone}`
  let number = understood.get(asked)
  if (number === undefined) {
    const parsed = parsePhoneNumberFromString(phone, code)
    number = parsed?.isPossible() ? parsed.number : null
    if (understood.size >= MOST_KEPT) understood.clear()
    understood.set(asked, number)
  }
  return number
}

// Understanding a number takes a third of the time that drawing a page takes, and every page shows the same one or two.
const understood = new Map<string, string | null>()
const MOST_KEPT = 200

/** A telephone address for links, RFC 3966: global where the number is understood, else the digits as written. */
export function toTelUri(phone: string, country: string | null = null): string {
  const number = toE164(phone, country)
  if (number) return `tel:${number}`
  const digits = phone.replace(/\(0\)/g, '').replace(/[^\d+]/g, '')
  return 'tel:' + (digits.startsWith('+') ? '+' : '') + digits.replace(/\+/g, '')
}

const LENGTH_FAULTS: Readonly<Record<string, string>> = {
  TOO_SHORT: 'has too few digits for a telephone number',
  TOO_LONG: 'has too many digits for a telephone number',
  INVALID_LENGTH: 'has a number of digits that no telephone number there has',
  INVALID_COUNTRY: 'begins with a country code that does not exist',
  NOT_A_NUMBER: 'is not a telephone number',
}

/** Why no telephone can have this number, or null. Numbers kept for fiction pass: they have the right form. */
export function findPhoneFault(phone: string, country: string | null = null): string | null {
  const fault = validatePhoneNumberLength(phone, toCountryCode(country) ?? USUAL)
  return fault
    ? `“${phone}” ${LENGTH_FAULTS[fault] ?? 'is not a telephone number'}. Write it as it is dialled, such as 01632 ` +
        '960417, or with its country code, such as +49 30 901820.'
    : null
}
