import { expect, test } from 'vitest'
import { addressLine, DAYS, findFactFault, parseSpans, toHoursRows, toTelUri, type Hours } from '..'

test('a telephone number becomes an address that phones can dial (RFC 3966)', () => {
  expect(toTelUri('01632 960417')).toBe('tel:+441632960417')
  expect(toTelUri('+44 (0)1632 960-417')).toBe('tel:+441632960417')
})

test('faults of facts name what was typed and what to do', () => {
  expect(findFactFault('email', 'a@b')).toContain('“a@b” is not an email address')
  expect(findFactFault('email', 'a@b.example')).toBeNull()
  expect(findFactFault('phone', '12')).toContain('too few digits')
  expect(findFactFault('name', 'x'.repeat(121))).toContain('121 characters')
  expect(findFactFault('name', '')).toBeNull()
})

test('an address leaves out what is not known', () => {
  expect(addressLine({ street: '11 Harrow Lane', locality: 'Eastmere', postcode: 'EM3 1LD', country: 'GB' })).toBe(
    '11 Harrow Lane, Eastmere EM3 1LD',
  )
  expect(addressLine({ street: '', locality: 'Eastmere', postcode: '', country: '' })).toBe('Eastmere')
})

test.each([
  ['9-5', [{ opens: '09:00', closes: '17:00' }]],
  ['9:00–17:30', [{ opens: '09:00', closes: '17:30' }]],
  [
    '9.30 to 12, 14–18:15',
    [
      { opens: '09:30', closes: '12:00' },
      { opens: '14:00', closes: '18:15' },
    ],
  ],
  ['0:00-24:00', [{ opens: '00:00', closes: '24:00' }]],
  ['closed', []],
  ['', []],
])('times typed as “%s” are understood', (typed, spans) => {
  expect(parseSpans(typed)).toEqual({ ok: true, spans })
})

test.each([
  ['noonish', 'not a pair of times'],
  ['18-17:00', 'closes before it opens'],
  ['9-12, 11-14', 'overlaps'],
  ['25-26', 'closes before it opens, or is no time'],
])('times typed as “%s” are refused with the reason', (typed, reason) => {
  const parsed = parseSpans(typed)
  expect(parsed.ok ? '' : parsed.fault).toContain(reason)
})

test('neighbouring days with the same times share a row, and every day is in one', () => {
  const day = [{ opens: '09:00', closes: '17:00' }]
  const hours: Hours = {
    mon: [],
    tue: day,
    wed: day,
    thu: day,
    fri: [
      { opens: '09:00', closes: '12:00' },
      { opens: '13:00', closes: '17:00' },
    ],
    sat: [],
    sun: [],
  }
  expect(toHoursRows(hours)).toMatchObject([
    { days: 'Mon', times: 'closed', closed: true },
    { days: 'Tue – Thu', times: '9:00 – 17:00', closed: false },
    { days: 'Fri', times: '9:00 – 12:00, 13:00 – 17:00', closed: false },
    { days: 'Sat – Sun', times: 'closed', closed: true },
  ])
  expect(toHoursRows(Object.fromEntries(DAYS.map((d) => [d, day])) as unknown as Hours)).toHaveLength(1)
})
