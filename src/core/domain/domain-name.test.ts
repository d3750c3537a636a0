import { domainToASCII } from 'node:url'
import { expect, test } from 'vitest'
import { domainOf, parseDomain } from './domain-name'

const problem = (text: string): string | null => {
  const read = parseDomain(text)
  return read.ok ? null : read.problem
}

test('a domain is read from whatever was pasted, and the name beside it is known', () => {
  expect(parseDomain(' HTTPS://www.Example.co.uk:443/about?x#y ')).toMatchObject({
    ok: true,
    name: 'www.example.co.uk',
    registrable: 'example.co.uk',
    stand: 'www',
    other: 'example.co.uk',
  })
  expect(parseDomain('example.com.')).toMatchObject({ name: 'example.com', stand: 'apex', other: 'www.example.com' })
  expect(parseDomain('shop.example.com')).toMatchObject({ stand: 'deeper', other: null, registrable: 'example.com' })
  expect(domainOf('www.example.co.uk')).toEqual({ ...domainOf('www.example.co.uk'), other: 'example.co.uk', stand: 'www' })
})

test('a name in another script has its ASCII form, and is shown as it is read', () => {
  expect(parseDomain('www.gärtnerei-müller.de')).toMatchObject({
    name: domainToASCII('www.gärtnerei-müller.de'),
    shown: 'www.gärtnerei-müller.de',
  })
  expect(parseDomain('straße.de')).toMatchObject({ name: 'xn--strae-oqa.de' })
})

test.each([
  ['', 'empty'],
  ['https://', 'empty'],
  ['post@example.com', 'mail'],
  ['192.0.2.1', 'number'],
  ['[2001:db8::1]', 'number'],
  ['example', 'onePart'],
  ['co.uk', 'ending'],
  ['github.io', 'ending'],
  ['wren.local', 'nowhere'],
  ['wren.onion', 'nowhere'],
  ['tolliver.localhost', 'ours'],
  ['a b.com', 'letters'],
  ['a_b.com', 'letters'],
  ['-a.com', 'letters'],
  ['a..com', 'letters'],
  ['<script>.com', 'letters'],
  [`${'x'.repeat(64)}.com`, 'tooLong'],
  [`${'abcdefg.'.repeat(40)}com`, 'tooLong'],
])('“%s” is no domain for a site: %s', (text, wanted) => {
  expect(problem(text)).toBe(wanted)
})
