import { domainToUnicode } from 'node:url'
import { expect, test } from 'vitest'
import { parseSiteName } from '../../src/core/release'
import { random } from '../random'

const label = (text: string): string | null => {
  const name = parseSiteName(text)
  return name.ok ? name.label : null
}

test.each([
  // RFC 1123, 2.1: letters and digits may begin a host name; 63 characters are allowed.
  ['3com', '3com'],
  ['a', 'a'],
  ['a-b', 'a-b'],
  ['A-B', 'a-b'],
  ['x'.repeat(63), 'x'.repeat(63)],
  // RFC 952 and 1123: no hyphen at either end, no other signs, no empty label.
  ['-a', null],
  ['a-', null],
  ['a_b', null],
  ['a b', null],
  ['a.b', null],
  ['', null],
  ['x'.repeat(64), null],
  ['a!', null],
  ['a/b', null],
  ['<b>', null],
  ['a\u0000b', null],
  // RFC 5891, 4.2.3.1: no two hyphens in third and fourth place.
  ['ab--cd', null],
])('as a host name, “%s” gives %s', (text, wanted) => {
  expect(label(text)).toBe(wanted)
})

// RFC 3492, 7.1, samples (A) Arabic, (B) Chinese, (E) Hebrew, (I) Russian, in the lower case that host names have;
// from memory, so they are read back by Node's own decoder.
test.each([
  'xn--egbpdaj6bu4bxfgehfvwxn',
  'xn--ihqwcrb4cv8a8dqg056pqjye',
  'xn--4dbcagdahymbxekheh6e0a7fei0b',
  'xn--b1abfaaepdrnnbgefbadotcwatmq2g4l',
])('the sample %s of RFC 3492 is made from its letters and read back', (ascii) => {
  const letters = domainToUnicode(ascii)
  expect(letters).not.toBe(ascii)
  expect(label(letters)).toBe(ascii)
  const name = parseSiteName(ascii)
  expect(name.ok && name.shown).toBe(letters)
})

test.each([
  // UTS 46, non-transitional: sharp s stays itself; capitals and full-width forms are mapped.
  ['Straße'],
  ['ＡＢＣ'],
  ['BÜCHER'],
  ['ﬁnch'],
  ['日本語'],
  ['élève'],
])('“%s” is mapped as another implementation maps it (WHATWG URL, host parsing)', (text) => {
  expect(label(text)).toBe(new URL(`http://${text}.example`).host.split('.')[0])
})

test.each([
  ['a\u200db', 'a joiner out of place (RFC 5892, A.2)'],
  ['אa1', 'right to left mixed with left to right (RFC 5893, 2)'],
  ['\u0301a', 'a mark at the beginning (RFC 5891, 4.2.3.2)'],
  ['a。b', 'an ideographic full stop'],
])('%s is refused: %s', (text) => {
  expect(label(text)).toBeNull()
})

test('what is accepted, another implementation accepts as the same host, for 3,000 seeded names', () => {
  const letters = [...'abcxyz019-ßüéñøåčłждצשあ語한ａ＿. ']
  const next = random(9)
  let accepted = 0
  for (let i = 0; i < 3000; i++) {
    const text = Array.from({ length: 1 + Math.floor(next() * 9) }, () => letters[Math.floor(next() * letters.length)]).join('')
    const found = label(text)
    if (found === null) continue
    accepted++
    expect(new URL(`http://${text.trim()}.example`).host).toBe(`${found}.example`)
    expect(found).toMatch(/^[a-z0-9]([a-z0-9-]{0,61}[a-z0-9])?$/)
  }
  expect(accepted).toBeGreaterThan(500)
})
