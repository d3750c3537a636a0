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

test.each([
  ['', 'Type the client’s domain, such as www.example.com.'],
  ['post@example.com', '“post@example.com” is an address for mail. Type the domain alone, such as www.example.com.'],
  ['192.0.2.1', '“192.0.2.1” is the number of a computer. A site’s address is a name, such as www.example.com.'],
  ['example', '“example” lacks its ending, such as .com or .org.'],
  ['co.uk', '“co.uk” is an ending that domains are registered under, not a domain. Type the client’s name before it.'],
  ['wren.local', '“wren.local” works on one network alone: no authority may give a certificate for such a name.'],
  ['wren.localhost', '“wren.localhost” is an address on our own host. Choose it above.'],
  ['a b.com', '“a b.com” cannot be a domain: its parts take letters, digits and hyphens, none at either end, and dots between them.'],
  [`${'x'.repeat(64)}.com`, 'That is too long: a part of a domain holds 63 characters at most, the whole 253.'],
])('of “%s” it is said what is wrong', (text, sentence) => {
  expect(parseDomain(text)).toMatchObject({ ok: false, sentence })
})

test('numbers and schemes inside a name are part of it', () => {
  expect(problem('4you.com')).toBe(null)
  expect(problem('1.2.3.4.com')).toBe(null)
  expect(problem('face:8080')).toBe('onePart')
  expect(problem(`${'x'.repeat(63)}.com`)).toBe(null)
  expect(problem('local.com')).toBe(null)
  expect(problem('my-home.arpa.com')).toBe(null)
  expect(domainOf('wren.github.io')).toMatchObject({ registrable: 'wren.github.io', stand: 'apex' })
})
