import { expect, test } from 'vitest'
import { parseAddress } from '..'

// The order of an address’s parts, country by country: Universal Postal Union, addressing systems; invented places.
test.each([
  ['11 Harrow Lane\nEastmere\nEM3 1LD', { street: '11 Harrow Lane', locality: 'Eastmere', postcode: 'EM3 1LD', country: '' }],
  [
    'Unit 6, Tanyard Lane, Castlewick CW2 8HD, United Kingdom',
    { street: 'Unit 6, Tanyard Lane', locality: 'Castlewick', postcode: 'CW2 8HD', country: 'United Kingdom' },
  ],
  ['Hafenweg 12, 20457 Altmoor, Germany', { street: 'Hafenweg 12', locality: 'Altmoor', postcode: '20457', country: 'Germany' }],
  ['Kade 3\n1012 AB Nieuwdam\nNL', { street: 'Kade 3', locality: 'Nieuwdam', postcode: '1012 AB', country: 'NL' }],
  ['ul. Wodna 4, 00-950 Staromost', { street: 'ul. Wodna 4', locality: 'Staromost', postcode: '00-950', country: '' }],
  ['1200 Quay Street, Larkport, OR 97201', { street: '1200 Quay Street, Larkport', locality: 'OR', postcode: '97201', country: '' }],
  ['The Old Mill, Weir', { street: 'The Old Mill', locality: 'Weir', postcode: '', country: '' }],
])('%j is taken apart', (text, parts) => {
  expect(parseAddress(text)).toEqual(parts)
})

test('one part alone is no address to take apart', () => {
  for (const text of ['11 Harrow Lane', '', ' , \n']) expect(parseAddress(text)).toBeNull()
})
