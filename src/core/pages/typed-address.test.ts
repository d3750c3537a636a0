import { expect, test } from 'vitest'
import { toOldAddress, toWebAddress } from '.'

// WHATWG URL Standard, section 4.2, the table of examples of the basic parser, each with what it gives or that it fails.
test.each([
  ['https:example.org', 'https://example.org/'],
  ['https://////example.com///', 'https://example.com///'],
  ['https://example.com/././foo', 'https://example.com/foo'],
  ['https://EXAMPLE.com/../x', 'https://example.com/x'],
  ['https://example.com:demo', null],
  ['https://ex ample.org/', null],
  ['http://[www.example.com]/', null],
])('a web address is read as the URL standard reads it: %s', (typed, whole) => {
  expect(toWebAddress(typed)).toBe(whole)
})

test('one typed without its scheme is taken for a secure one; what would run, or leads nowhere public, is none', () => {
  expect(toWebAddress(' shop.example/all ')).toBe('https://shop.example/all')
  expect(toWebAddress('shop.example:8443/x')).toBe('https://shop.example:8443/x')
  expect(toWebAddress('tel:01632')).toBeNull()
  expect(['javascript:alert(1)', 'data:text/html,x', 'file:///C|/demo', 'nothing', ''].map(toWebAddress)).toEqual([
    null,
    null,
    null,
    null,
    null,
  ])
})

test('an old address is a path, however it is at hand; one that leads off or holds more is none', () => {
  expect(toOldAddress('/about-us.html')).toBe('/about-us.html')
  expect(toOldAddress('about us/')).toBe('/about%20us/')
  expect(toOldAddress('https://old.example/über?x=1#y')).toBe('/%C3%BCber')
  expect(['/', '', '/old shop?', '//x', '/../x'].map(toOldAddress)).toEqual([null, null, null, null, null])
})
