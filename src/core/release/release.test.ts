import { expect, test } from 'vitest'
import * as v from 'valibot'
import { manifestSchema, planPublish, suggestSiteNames, type Manifest } from '.'

const file = (letter: string, bytes = 10): Manifest[string] => ({ hash: letter.repeat(64), bytes })

test('a plan names what is new, changed and removed, and counts what travels', () => {
  const plan = planPublish(
    { 'index.html': file('a'), 'old.css': file('b'), 'kept.jpg': file('c', 500) },
    { 'index.html': file('d', 20), 'new.css': file('e', 30), 'kept.jpg': file('c', 500) },
  )
  expect(plan).toEqual({
    added: [{ path: 'new.css', bytes: 30 }],
    changed: [{ path: 'index.html', bytes: 20 }],
    removed: [{ path: 'old.css', bytes: 10 }],
    unchanged: 1,
    bytesToSend: 50,
    bytesTotal: 550,
  })
})

test('publishing the same again changes nothing; the first time everything is new', () => {
  const site = { 'index.html': file('a'), 'style.css': file('b') }
  expect(planPublish(site, site)).toMatchObject({ added: [], changed: [], removed: [], unchanged: 2, bytesToSend: 0 })
  expect(planPublish({}, site).added).toHaveLength(2)
})

test.each(['../up', '/root', 'a//b', 'a/../b', '.hidden', 'a\\b', 'a/', ''])('the path “%s” is no path of a site', (path) => {
  expect(v.safeParse(manifestSchema, { [path]: file('a') }).success).toBe(false)
})

test('names offered are free, fitting and none twice', () => {
  const taken = new Set(['wren', 'wren-eastmere'])
  const offered = suggestSiteNames('wren', { name: 'tolliver-wren', locality: 'eastmere', trade: '' }, (label) => !taken.has(label))
  expect(offered).toEqual(['tolliver-wren', 'tolliver-wren-eastmere', 'wren-2', 'wren-3'])
  expect(suggestSiteNames('', { name: '', locality: '', trade: '' }, () => true).every((n) => /^[a-z0-9-]+$/.test(n))).toBe(true)
})
