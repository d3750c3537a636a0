import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import path from 'node:path'
import ICAL from 'ical.js'
import { expect, test } from 'vitest'
import { businessCard, businessData } from '../../src/core/render'
import { findPhoneFault, toCountryCode, toE164, toTelUri, type Facts } from '../../src/core/site'
import { TRADES } from '../../src/core/trade'
import { testSite } from '../pack'

const require = createRequire(import.meta.url)

test('every trade’s type is LocalBusiness or one of its subtypes in schema.org’s own vocabulary', () => {
  // The package “schema-dts” is made from schema.org's published vocabulary; a type's subtypes are the members of its union.
  const vocabulary = readFileSync(path.join(path.dirname(require.resolve('schema-dts/package.json')), 'dist', 'schema.d.ts'), 'utf8')
  const unions = new Map(
    [...vocabulary.matchAll(/^export type (\w+) = ([^;]+);/gm)].map(([, name, members]) => [
      name ?? '',
      (members ?? '').split('|').map((m) => m.trim()),
    ]),
  )
  const subtypes = new Set<string>()
  const walk = (type: string): void => {
    if (subtypes.has(type)) return
    subtypes.add(type)
    for (const member of unions.get(type) ?? []) if (/^[A-Z]\w+$/.test(member) && !member.endsWith('Leaf')) walk(member)
  }
  walk('LocalBusiness')
  expect(subtypes.size).toBeGreaterThan(120)
  for (const trade of TRADES) expect(subtypes.has(trade.type), `${trade.name}: ${trade.type}`).toBe(true)
  for (const no of ['Person', 'Thing', 'Watchmaker', 'Course']) expect(subtypes.has(no)).toBe(false)
})

type Reference = {
  parse: (number: string, region: string) => unknown
  isPossibleNumber: (n: unknown) => boolean
  format: (n: unknown, format: number) => string
  getSupportedRegions: () => string[]
  getExampleNumber: (region: string) => unknown
}
const { PhoneNumberUtil, PhoneNumberFormat } = require('google-libphonenumber') as {
  PhoneNumberUtil: { getInstance: () => Reference }
  PhoneNumberFormat: { E164: number; NATIONAL: number; INTERNATIONAL: number; RFC3966: number }
}

test('telephone numbers of every country, in each way of writing, are read as the reference library reads them', () => {
  // The reference library of the numbering plans, and its own example number for each region.
  const reference = PhoneNumberUtil.getInstance()
  let checked = 0
  for (const region of reference.getSupportedRegions()) {
    const example = reference.getExampleNumber(region)
    if (!example || toCountryCode(region) === null) continue
    const e164 = reference.format(example, PhoneNumberFormat.E164)
    for (const form of [PhoneNumberFormat.NATIONAL, PhoneNumberFormat.INTERNATIONAL]) {
      const written = reference.format(example, form)
      for (const way of [written, written.replace(/[ -]/g, '.'), written.replace(/[ -]/g, '')]) {
        expect(toE164(way, region), `${way} in ${region}`).toBe(e164)
        expect(findPhoneFault(way, region), way).toBeNull()
        checked++
      }
    }
    expect(toTelUri(reference.format(example, PhoneNumberFormat.INTERNATIONAL))).toBe(`tel:${e164}`)
  }
  expect(checked).toBeGreaterThan(1200)
})

test('numbers that no telephone can have are refused, as the reference library has it; numbers kept for fiction pass', () => {
  const reference = PhoneNumberUtil.getInstance()
  const isPossible = (written: string): boolean => {
    try {
      return reference.isPossibleNumber(reference.parse(written, 'GB'))
    } catch {
      return false
    }
  }
  for (const [written, possible] of [
    ['12', false],
    ['01632 960417 000 000 00', false],
    ['+999 123456', false],
    ['call us', false],
    ['01632 960417', true],
    ['+44 1632 960417', true],
    ['(020) 7946 0018', true],
  ] as const) {
    expect(isPossible(written), written).toBe(possible)
    expect(findPhoneFault(written, 'GB') === null, written).toBe(possible)
  }
  expect(findPhoneFault('12', 'GB')).toMatch(/“12” has too few digits.*such as/)
})

test('a country is known by its ISO 3166-1 code and as people write it', () => {
  for (const [written, code] of [
    ['GB', 'GB'],
    ['uk', 'GB'],
    ['Scotland', 'GB'],
    ['Germany', 'DE'],
    ['usa', 'US'],
    ['Japan', 'JP'],
    ['', null],
    ['Ruritania', null],
  ] as const)
    expect(toCountryCode(written), written).toBe(code)
})

const HOURS = {
  mon: [],
  tue: [
    { opens: '09:00', closes: '12:30' },
    { opens: '14:00', closes: '18:00' },
  ],
  wed: [{ opens: '09:00', closes: '12:30' }],
  thu: [],
  fri: [{ opens: '20:00', closes: '24:00' }],
  sat: [],
  sun: [],
}
const FACTS: Facts = {
  name: 'Tolliver; Wren, & Söhne\\Co',
  tagline: 'Clocks, put right',
  phone: '01632 960417',
  email: 'bench@tolliver-wren.example',
  trade: 'watchmaker',
  address: {
    street: '11 Harrow Lane, upper bench, behind the long yard with the green door and the brass bell',
    locality: 'Eastmere',
    postcode: 'EM3 1LD',
    country: 'England',
  },
  hours: HOURS,
  keywords: ['clock repair', 'watches, old'],
  socials: ['https://example.social/tolliver'],
}

test('the contact card is a vCard that a reference parser reads back, fact for fact', () => {
  // RFC 6350; read by ical.js, which knows nothing of ours.
  const card = businessCard(testSite(FACTS), 'https://tolliver.example')!
  expect(card.startsWith('BEGIN:VCARD\r\nVERSION:4.0\r\n')).toBe(true)
  for (const line of card.split('\r\n')) expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75) // 3.2
  expect(card).not.toMatch(/[^\r]\n/)
  const read = new ICAL.Component(ICAL.parse(card) as never)
  const value = (name: string): unknown => read.getFirstPropertyValue(name)
  expect(value('fn')).toBe(FACTS.name)
  expect(value('tel')).toBe('tel:+441632960417')
  expect(value('email')).toBe(FACTS.email)
  expect(value('adr')).toEqual(['', '', FACTS.address!.street, 'Eastmere', '', 'EM3 1LD', 'GB']) // 6.3.1: seven components
  expect(value('note')).toContain('Clocks, put right\nMon closed\nTue 9:00 – 12:30, 14:00 – 18:00')
  expect(read.getFirstProperty('categories')!.getValues()).toEqual(FACTS.keywords)
  expect(businessCard(testSite({ phone: '1' }), 'https://x.example')).toBeNull()
})

test('hours and address are published as schema.org has them, split days and midnight too', () => {
  const data = businessData(testSite(FACTS), 'https://tolliver.example', null)
  // schema.org/OpeningHoursSpecification: one for each span, its days together; a closed day has none. closes is a Time, so at most 23:59.
  expect(data.openingHoursSpecification).toEqual([
    { '@type': 'OpeningHoursSpecification', dayOfWeek: ['Tuesday', 'Wednesday'], opens: '09:00', closes: '12:30' },
    { '@type': 'OpeningHoursSpecification', dayOfWeek: ['Tuesday'], opens: '14:00', closes: '18:00' },
    { '@type': 'OpeningHoursSpecification', dayOfWeek: ['Friday'], opens: '20:00', closes: '23:59' },
  ])
  // schema.org/addressCountry: the two-letter ISO 3166-1 code is recommended.
  expect(data.address).toMatchObject({ '@type': 'PostalAddress', addressLocality: 'Eastmere', postalCode: 'EM3 1LD', addressCountry: 'GB' })
  expect(data).toMatchObject({ sameAs: FACTS.socials, keywords: 'clock repair, watches, old', '@type': 'LocalBusiness' })
  expect(businessData(testSite({ ...FACTS, trade: 'Dental practice' }), 'https://x.example', null)['@type']).toBe('Dentist')
})
