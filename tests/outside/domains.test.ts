import { readFileSync } from 'node:fs'
import { domainToASCII } from 'node:url'
import { expect, test } from 'vitest'
import { parseDomain } from '../../src/core/domain'
import { random } from '../random'

/**
 * The public suffix list's own test file, test_psl.txt, as Debian ships it within golang-golang-x-net-dev: a name, and the part of it that
 * is registered, or nothing.
 */
const CASES = [
  ...(/var eTLDPlusOneTestCases[^]*?\n\}\n/
    .exec(readFileSync('/usr/share/gocode/src/golang.org/x/net/publicsuffix/list_test.go', 'utf8'))?.[0]
    .matchAll(/\{"([^"]*)", "([^"]*)"\}/g) ?? []),
].map(([, name = '', registrable = '']) => [name, registrable] as const)

test('the registered part is where the public suffix list’s own tests have it', () => {
  expect(CASES.length).toBeGreaterThan(60)
  const differing = CASES.filter(([name, registrable]) => {
    const read = parseDomain(name)
    return (read.ok ? read.registrable : '') !== domainToASCII(registrable)
  })
  expect(differing).toEqual([])
})

// Node's own form of a name comes from ICU, which is another implementation of UTS 46 than ours.
test('names in every script that the web has get the ASCII form that ICU gives them', () => {
  const next = random(46)
  const scripts = ['äöüéèñçø', 'αβγδεζης', 'жщюяэ', '日本語文字', '한국말', 'שלוםעד', 'กขคง', 'देवनागरी', 'ßſﬀＡＢ']
  let compared = 0
  for (let round = 0; round < 4000; round++) {
    const letters = [...scripts[Math.floor(next() * scripts.length)]!]
    const word = Array.from({ length: 1 + Math.floor(next() * 9) }, () => letters[Math.floor(next() * letters.length)]).join('')
    const name = `${word}.example`
    const read = parseDomain(name)
    if (read.ok) {
      compared++
      expect(read.name).toBe(domainToASCII(name))
    }
  }
  expect(compared).toBeGreaterThan(2500)
})
